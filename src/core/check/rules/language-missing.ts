import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { writtenLanguage } from '../language-versions'

export const languageMissing = defineCheck({
  id: 'language-missing',
  label: 'no language',
  subject: 'language',
  lacks: 'html lang',
  family: 'access',
  level: 'note',
  scope: 'page',
  looksAt: '<html lang>.',
  why: 'Places guess the language, and read a page aloud in the wrong one.',
  messages: {
    absent: {
      says: '<html> has no lang.',
      fix: 'Add the language that the page is written in: <html lang="…">.',
      repair: { do: 'setTag', tag: 'html lang' },
    },
    told: {
      says: '<html> has no lang.',
      fix: 'Add <html lang="{written}">: that is what the text is written in, as its words say.',
      repair: { do: 'setTag', tag: 'html lang' },
    },
  },
  check({ facts }) {
    if (!isBlank(facts.language)) return []
    const written = writtenLanguage(facts)
    return [written === null ? { message: 'absent' } : { message: 'told', data: { written } }]
  },
})
