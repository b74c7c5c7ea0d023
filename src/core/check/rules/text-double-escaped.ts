import { decodeHTML } from 'entities'
import { defineCheck } from '../define-check'
import { DESCRIPTIONS, TITLES, textsOf } from '../page-texts'

const VISIBLE = /&(?:amp|lt|gt|quot|apos|nbsp|hellip|[rl][sd]quo|[mn]dash|#\d{2,6}|#x[0-9a-f]{2,6});/i

/** Escaped any more often than this is no accident of templates. */
const MAX_ESCAPES = 4

/** The text that was meant: decoded until nothing is left to decode. */
function plainOf(text: string): string {
  let plain = text
  for (let times = 0; times < MAX_ESCAPES && VISIBLE.test(plain); times++) plain = decodeHTML(plain)
  return plain
}

/** Tags that a text editor writes into a text. */
const PAIR = /<(p|b|i|u|em|strong|a|span|div|h[1-6]|ul|ol|li|blockquote)(?:\s[^<>]{0,300})?>[^<>]{1,1000}<\/\1>/i
/** One at the start of a text, or a line break within it. */
const SINGLE = /^<(?:p|div|span|h[1-6])(?:\s[^<>]{0,300})?>(?=[\p{L}\p{N}“"'])|<br ?\/?>(?=[\p{L}\p{N}])/iu
const ANY_TAG = /<\/?[a-z][a-z0-9]*(?:\s[^<>]{0,300})?\/?>/gi

/** Markup that people would see as it is written; null where there is none. */
function markupIn(text: string): string | null {
  if (!text.includes('<')) return null
  const pair = PAIR.exec(text)?.[0]
  return pair === undefined ? (SINGLE.exec(text)?.[0] ?? null) : /^<[^>]*>/.exec(pair)![0]
}

const withoutMarkup = (text: string) =>
  text
    .replace(/<br ?\/?>/gi, ' ')
    .replace(ANY_TAG, '')
    .replace(/ {2,}/g, ' ')
    .trim()

export const textDoubleEscaped = defineCheck({
  id: 'text-double-escaped',
  label: 'escaped twice',
  isOf: 'form',
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'Titles, descriptions and names after decoding: character references and markup that people would see.',
  why: 'A reference that is still there after decoding is shown as it stands: &amp;amp; instead of &.',
  messages: {
    escaped: {
      says: '{key} shows “{seen}” to people.',
      fix: 'The text is escaped twice: leave out one of the two; line {line}.',
      anywhere: 'The text is escaped twice: leave out one of the two.',
      repair: { do: 'setTag', tag: '{key}', to: '{plain}' },
    },
    markup: {
      says: '{key} shows the markup “{seen}” to people.',
      fix: 'Have the template take the markup out of the text; line {line}.',
      anywhere: 'Have the template take the markup out of the text.',
      repair: { do: 'setTag', tag: '{key}', to: '{plain}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, [...TITLES, ...DESCRIPTIONS, 'og:site_name', 'og:image:alt']).flatMap(({ key, text, at }) => {
      const seen = VISIBLE.exec(text)?.[0]
      const markup = seen === undefined ? markupIn(text) : null
      // A page about HTML has the same in its heading.
      if (markup !== null && !(facts.h1 ?? '').includes(markup)) {
        const data = { key, seen: markup, plain: withoutMarkup(text), line: at?.line ?? 0 }
        return [{ message: 'markup', at, data }]
      }
      return seen ? [{ message: 'escaped', at, data: { key, seen, plain: plainOf(text), line: at?.line ?? 0 } }] : []
    })
  },
})
