import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

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
      fix: 'Write <html lang="en">, or whatever the page is written in.',
      mend: { say: 'html lang' },
    },
  },
  check({ facts }) {
    return isBlank(facts.language) ? [{ message: 'absent' }] : []
  },
})
