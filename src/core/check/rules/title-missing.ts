import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const titleMissing = defineCheck({
  id: 'title-missing',
  label: 'title not set',
  subject: 'title',
  lacks: 'title',
  family: 'text',
  level: 'error',
  scope: 'page',
  looksAt: 'The page’s <title>.',
  why: 'Search results and browser tabs show it, and most places fall back to it. Without one a link has no name.',
  messages: {
    absent: {
      says: 'There is no <title>.',
      fix: 'Add a <title> to the head that says what this page is.',
      repair: { do: 'setTag', tag: 'title' },
    },
    empty: {
      says: 'The <title> is empty.',
      fix: 'Give the <title> on line {line} a text that says what this page is.',
      anywhere: 'Give the <title> a text that says what this page is.',
      repair: { do: 'setTag', tag: 'title' },
    },
  },
  check({ facts }) {
    if (facts.title === null) return [{ message: 'absent' }]
    if (!isBlank(facts.title)) return []
    return [{ message: 'empty', at: facts.at.title, data: { line: facts.at.title?.line ?? 0 } }]
  },
})
