import { groupBy } from '../../text'
import { defineCheck } from '../define-check'
import { garbledTexts, lacksEncoding } from '../garbled-texts'
import { AND } from '../own-addresses'
import { DESCRIPTIONS, TITLES, textsOf } from '../page-texts'

/** What turns the direction of all that follows: nobody types it. */
const OVERRIDE = /[\u202D\u202E]/
/** A sign without width between two letters of an alphabet that has no use for it. */
const WITHIN_WORD =
  /[\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}][\u200B\u2060\uFEFF]+(?=[\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}])/u
const HIDDEN = /[\u200B\u202A-\u202E\u2060\u2066-\u2069\uFEFF]/g

const codeOf = (text: string): string => {
  const sign = OVERRIDE.exec(text)?.[0] ?? /[\u200B\u2060\uFEFF]/.exec(text)?.[0] ?? ''
  return `U+${sign.codePointAt(0)?.toString(16).toUpperCase().padStart(4, '0')}`
}

export const textGarbled = defineCheck({
  id: 'text-garbled',
  label: 'garbled text',
  alsoReads: ['head'],
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'Titles, descriptions and names: characters lost or read in another encoding, and signs that nobody sees.',
  why: 'Text read in the wrong encoding looks broken on every card; a hidden sign breaks a word, or turns it around.',
  messages: {
    lost: {
      says: '{key}: a character was lost (“�”).',
      fix: 'Save and serve the page as UTF-8 all the way, and type the character again; line {line}.',
      anywhere: 'Save and serve the page as UTF-8 all the way, and type the character again.',
      repair: { do: 'askPerson', needs: 'the page in UTF-8 all the way' },
    },
    misread: {
      says: '{key}: UTF-8 was read as another encoding (“{seen}”).',
      fix: 'Declare and store the text as UTF-8 all the way; line {line}.',
      anywhere: 'Declare and store the text as UTF-8 all the way.',
      repair: { do: 'askPerson', needs: 'the page in UTF-8 all the way' },
    },
    hidden: {
      says: '{key} contains an invisible character ({seen}).',
      fix: 'Remove it on line {line}.',
      anywhere: 'Remove it.',
      repair: { do: 'setTag', tag: '{key}', to: '{plain}' },
    },
  },
  check({ facts, fetch }) {
    const keys = [...TITLES, ...DESCRIPTIONS, 'og:site_name', 'og:image:alt']
    const hidden = textsOf(facts, keys).flatMap(({ key, text, at }) => {
      if (!OVERRIDE.test(text) && !WITHIN_WORD.test(text)) return []
      const data = { key, seen: codeOf(text), plain: text.replace(HIDDEN, ''), line: at?.line ?? 0 }
      return [{ message: 'hidden', at, data }]
    })
    // Where nothing names the encoding, that is the fault.
    const garbled = lacksEncoding(facts, fetch) ? [] : garbledTexts(facts)
    // One fault of the page's encoding shows in all of its texts.
    const once = [...groupBy(garbled, ({ seen }) => (seen === '\uFFFD' ? 'lost' : 'misread'))].map(
      ([message, same]) => {
        const [first] = same
        const key = [...new Set(same.map((one) => one.key))].join(AND)
        return { message, at: first!.at, data: { key, seen: first!.seen, line: first!.at?.line ?? 0 } }
      },
    )
    return [...once, ...hidden]
  },
})
