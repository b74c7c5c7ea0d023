import { defineCheck } from '../define-check'
import { charactersIn, TITLES, textsOf } from '../page-texts'

const MOST = 70

export const titleLong = defineCheck({
  id: 'title-long',
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'How long the titles are.',
  why: 'Hardly any place shows more than 70 characters: what matters must stand before.',
  messages: {
    length: {
      says: '{key} has {count} characters, over 70.',
      fix: 'Say it in fewer words, the part that tells this page from others first; line {line}.',
    },
  },
  check({ facts }) {
    return textsOf(facts, TITLES).flatMap(({ key, text, at }) => {
      const count = charactersIn(text)
      return count > MOST ? [{ message: 'length', at, data: { key, count, line: at?.line ?? 0 } }] : []
    })
  },
})
