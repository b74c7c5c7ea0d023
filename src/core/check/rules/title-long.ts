import { defineCheck } from '../define-check'
import { charactersIn, TITLES, textsOf } from '../page-texts'

export const titleLong = defineCheck({
  id: 'title-long',
  label: 'long title',
  subject: 'title',
  family: 'text',
  level: 'warning',
  scope: 'page',
  looksAt: 'How long the titles are.',
  why: 'Hardly any place shows more than 70 characters: what matters must stand before.',
  messages: {
    length: {
      says: '{key} has {count} characters, over {most}.',
      fix: 'Say it in fewer words, the part that tells this page from others first; line {line}.',
      anywhere: 'Say it in fewer words, the part that tells this page from others first.',
      repair: { do: 'rewriteText', text: 'title' },
    },
  },
  check(page, context) {
    const most = context.ruleFor(page).limits.titleCharacters
    return textsOf(page.facts, TITLES).flatMap(({ key, text, at }) => {
      const count = charactersIn(text)
      return count > most ? [{ message: 'length', at, data: { key, count, most, line: at?.line ?? 0 } }] : []
    })
  },
})
