import { isAtLeast, MIN_LARGE } from '../check'
import type { GatheredImage, PageFacts } from '../model'
import { firstValue } from '../surface'
import { collapseWhiteSpace, isBlank } from '../text'

/** A text that the page itself offers, and where it stands. */
export type TextHelp = { from: string; text: string }

const TITLE_SOURCES = ['h1', 'title', 'og:title', 'twitter:title'] as const
const DESCRIPTION_SOURCES = ['first paragraph', 'description', 'og:description', 'twitter:description'] as const

function said(facts: PageFacts, from: string): string | null {
  if (from === 'h1') return facts.h1
  if (from === 'title') return facts.title
  if (from === 'first paragraph') return facts.firstParagraph
  return firstValue(facts, from)
}

function distinct(helps: TextHelp[]): TextHelp[] {
  const seen = new Set<string>()
  return helps.filter(({ text }) => !seen.has(text) && seen.add(text))
}

/** Texts of the page that could stand in a field; each text once, nothing made up. */
export function textHelps(facts: PageFacts, field: 'title' | 'description' | 'imageAlt'): TextHelp[] {
  if (field === 'imageAlt') {
    const alts = facts.contentImages.flatMap(({ alt }) => (isBlank(alt) ? [] : [{ from: 'alt', text: alt!.trim() }]))
    const tag = firstValue(facts, 'og:image:alt')
    return distinct([...(tag === null ? [] : [{ from: 'og:image:alt', text: tag }]), ...alts]).slice(0, 5)
  }
  const sources = field === 'title' ? TITLE_SOURCES : DESCRIPTION_SOURCES
  return distinct(
    sources.flatMap((from) => {
      const text = collapseWhiteSpace(said(facts, from) ?? '')
      return isBlank(text) ? [] : [{ from, text }]
    }),
  )
}

/** Pictures that could be shared, the largest first: those that the page names or shows, then all of the run's. */
export function pictureHelps(
  own: readonly string[],
  images: Iterable<GatheredImage>,
): { image: GatheredImage; isOwn: boolean }[] {
  const named = new Set(own)
  const area = ({ width, height }: GatheredImage) => (width ?? 0) * (height ?? 0)
  return [...images]
    .filter(
      ({ errorCode, iconOnly, width, height }) =>
        errorCode === null && !iconOnly && isAtLeast({ width: width ?? 0, height: height ?? 0 }, MIN_LARGE),
    )
    .map((image) => ({ image, isOwn: named.has(image.url) }))
    .sort((a, b) => Number(b.isOwn) - Number(a.isOwn) || area(b.image) - area(a.image))
}
