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

export const textDoubleEscaped = defineCheck({
  id: 'text-double-escaped',
  label: 'escaped twice',
  isOf: 'form',
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'Titles, descriptions and names after decoding.',
  why: 'A reference that is still there after decoding is shown as it stands: &amp;amp; instead of &.',
  messages: {
    escaped: {
      says: '{key} shows “{seen}” to people.',
      fix: 'The text is escaped twice: leave out one of the two; line {line}.',
      anywhere: 'The text is escaped twice: leave out one of the two.',
      mend: { say: '{key}', as: '{plain}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, [...TITLES, ...DESCRIPTIONS, 'og:site_name', 'og:image:alt']).flatMap(({ key, text, at }) => {
      const seen = VISIBLE.exec(text)?.[0]
      return seen ? [{ message: 'escaped', at, data: { key, seen, plain: plainOf(text), line: at?.line ?? 0 } }] : []
    })
  },
})
