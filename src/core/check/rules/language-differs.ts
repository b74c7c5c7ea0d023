import { defineCheck } from '../define-check'
import { otherLanguage } from '../language-versions'

export const languageDiffers = defineCheck({
  id: 'language-differs',
  label: 'other language',
  subject: 'language',
  alsoReads: ['description'],
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'The language of the description and the first paragraph, by their common words, beside <html lang>.',
  why: 'Places translate the card, or choose the words around it, by what the page says of itself.',
  messages: {
    differs: {
      says: 'The text is in “{written}”; <html lang> is “{lang}”.',
      fix: 'Change it to <html lang="{written}">, if that is what the whole page is written in.',
      repair: { do: 'setTag', tag: 'html lang', to: '{written}' },
    },
  },
  check({ facts }) {
    const written = otherLanguage(facts)
    return written === null ? [] : [{ message: 'differs', data: { written, lang: facts.language! } }]
  },
})
