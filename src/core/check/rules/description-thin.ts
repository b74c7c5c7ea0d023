import { defineCheck } from '../define-check'
import { charactersIn, DESCRIPTIONS, eachTextOnce, lettersWorth, textsOf } from '../page-texts'

const MOST = 50

export const descriptionThin = defineCheck({
  id: 'description-thin',
  label: 'thin description',
  subject: 'description',
  isAboutSharing: true,
  family: 'text',
  level: 'note',
  scope: 'page',
  looksAt: 'How long the descriptions are.',
  why: 'A few words leave the card half empty.',
  messages: {
    length: {
      says: '{key}: {count} characters, under 50.',
      fix: 'Write a whole sentence; line {line}.',
      anywhere: 'Write a whole sentence.',
      mend: { rewrite: 'description' },
    },
  },
  check({ facts }) {
    return eachTextOnce(textsOf(facts, DESCRIPTIONS)).flatMap(({ key, text, at }) => {
      const count = charactersIn(text)
      return lettersWorth(text) < MOST ? [{ message: 'length', at, data: { key, count, line: at?.line ?? 0 } }] : []
    })
  },
})
