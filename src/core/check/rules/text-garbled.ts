import { defineCheck } from '../define-check'
import { DESCRIPTIONS, TITLES, textsOf } from '../page-texts'

/** What the bytes of UTF-8 look like in windows-1252: `Ã¼`, `â€™`, `Â `. */
const MISREAD = /Ã[\u0080-\u00BF\u0192\u201A-\u2122]|â€[\u0080-\u2122]|Â[\u00A0-\u00BF]/

export const textGarbled = defineCheck({
  id: 'text-garbled',
  label: 'garbled text',
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'Titles, descriptions and names.',
  why: 'Text read in the wrong encoding looks broken on every card.',
  messages: {
    lost: {
      says: '{key} holds “�”: a character was lost.',
      fix: 'Save the page as UTF-8 and write the character again; line {line}.',
      anywhere: 'Save the page as UTF-8 and write the character again.',
      mend: { rewrite: '{key}' },
    },
    misread: {
      says: '{key} holds “{seen}”: UTF-8 was read as another encoding.',
      fix: 'Declare and store the text as UTF-8 all the way; line {line}.',
      anywhere: 'Declare and store the text as UTF-8 all the way.',
      mend: { rewrite: '{key}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, [...TITLES, ...DESCRIPTIONS, 'og:site_name', 'og:image:alt']).flatMap(({ key, text, at }) => {
      const data = { key, line: at?.line ?? 0 }
      if (text.includes('\uFFFD')) return [{ message: 'lost', at, data }]
      const seen = MISREAD.exec(text)?.[0]
      return seen ? [{ message: 'misread', at, data: { ...data, seen } }] : []
    })
  },
})
