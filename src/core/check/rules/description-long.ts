import { defineCheck } from '../define-check'
import { charactersIn, DESCRIPTIONS, textsOf } from '../page-texts'

export const descriptionLong = defineCheck({
  id: 'description-long',
  label: 'long description',
  subject: 'description',
  isAboutSharing: true,
  family: 'text',
  level: 'note',
  scope: 'page',
  looksAt: 'How long the descriptions are.',
  why: 'Places show one to three lines: the rest is not read.',
  messages: {
    length: {
      says: '{key} has {count} characters, over {most}.',
      fix: 'Keep what makes a person click in the first 150 characters; line {line}.',
      anywhere: 'Keep what makes a person click in the first 150 characters.',
      repair: { do: 'rewriteText', text: 'description' },
    },
  },
  check(page, context) {
    const most = context.ruleFor(page).limits.descriptionCharacters
    return textsOf(page.facts, DESCRIPTIONS).flatMap(({ key, text, at }) => {
      const count = charactersIn(text)
      return count > most ? [{ message: 'length', at, data: { key, count, most, line: at?.line ?? 0 } }] : []
    })
  },
})
