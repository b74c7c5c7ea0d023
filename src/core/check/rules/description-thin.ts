import type { PageFacts } from '../../model'
import { withoutUnseenSigns } from '../../text'
import { defineCheck } from '../define-check'
import { charactersIn, DESCRIPTIONS, eachTextOnce, lettersWorth, TITLES, textsOf } from '../page-texts'
import { placeholderIn } from '../placeholder'

const MOST = 50

const seenAs = (text: string) => withoutUnseenSigns(text).replace(/\.$/, '').toLowerCase()

const isCutOff = ({ metas }: PageFacts, text: string) =>
  metas.some(({ value, cutOff }) => cutOff !== undefined && value?.trim() === text)

export const descriptionThin = defineCheck({
  id: 'description-thin',
  label: 'thin description',
  subject: 'description',
  alsoReads: ['title'],
  isAboutSharing: true,
  family: 'text',
  level: 'note',
  scope: 'page',
  looksAt: 'How long the descriptions are, and whether they say more than the title.',
  why: 'A few words leave the card half empty.',
  messages: {
    length: {
      says: '{key}: {count} characters, under 50.',
      fix: 'Write a whole sentence; line {line}.',
      anywhere: 'Write a whole sentence.',
      repair: { do: 'rewriteText', text: 'description' },
    },
    repeats: {
      says: '{key} only repeats the title.',
      fix: 'Write a sentence that says more than the title; line {line}.',
      anywhere: 'Write a sentence that says more than the title.',
      repair: { do: 'rewriteText', text: 'description' },
    },
  },
  check({ facts }) {
    const titles = new Set(textsOf(facts, TITLES).map(({ text }) => seenAs(text)))
    return eachTextOnce(textsOf(facts, DESCRIPTIONS)).flatMap(({ key, text, at }) => {
      // A template's text, or a value that was cut off, is told as that.
      if (placeholderIn(text, text) !== null || isCutOff(facts, text)) return []
      const data = { key, line: at?.line ?? 0 }
      if (titles.has(seenAs(text))) return [{ message: 'repeats', at, data }]
      const count = charactersIn(text)
      return lettersWorth(text) < MOST ? [{ message: 'length', at, data: { key, count, line: at?.line ?? 0 } }] : []
    })
  },
})
