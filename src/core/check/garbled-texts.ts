import type { FetchFact, MetaFact, PageFacts } from '../model'
import { isBlank } from '../text'
import { DESCRIPTIONS, type PageText, TITLES, textsOf } from './page-texts'

/** What the bytes of UTF-8 look like in windows-1252: `Ã¼`, `â€™`, `Â `. */
const MISREAD = /Ã[\u0080-\u00BF\u0192\u201A-\u2122]|â€[\u0080-\u2122]|Â[\u00A0-\u00BF]/

/** A text with a character that was lost (`seen` is U+FFFD) or read in another encoding. */
export type GarbledText = PageText & { seen: string }

/** Texts of cards that were read in the wrong encoding. */
export const garbledTexts = (facts: PageFacts): GarbledText[] =>
  textsOf(facts, [...TITLES, ...DESCRIPTIONS, 'og:site_name', 'og:image:alt']).flatMap((text) => {
    const seen = text.text.includes('\uFFFD') ? '\uFFFD' : MISREAD.exec(text.text)?.[0]
    return seen === undefined ? [] : [{ ...text, seen }]
  })

/** The tag of a page that declares its encoding. */
export const declaredEncoding = ({ metas }: PageFacts): MetaFact | undefined =>
  metas.find(
    ({ key, value }) =>
      (key === 'charset' && !isBlank(value)) || (key === 'content-type' && /charset=/i.test(value ?? '')),
  )

/** Does something in front of the page's tags name its encoding: its Content-Type, or a byte order mark? */
export const namesEncoding = (facts: PageFacts, fetch: FetchFact): boolean =>
  facts.hasByteOrderMark === true || /charset=/i.test(fetch.contentType ?? '')

/** Does nothing name the encoding? Then places guess. */
export const lacksEncoding = (facts: PageFacts, fetch: FetchFact): boolean =>
  !namesEncoding(facts, fetch) && declaredEncoding(facts) === undefined
