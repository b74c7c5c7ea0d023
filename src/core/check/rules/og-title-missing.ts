import { requiredTag } from '../required-tag'

export const ogTitleMissing = requiredTag('og:title', {
  id: 'og-title-missing',
  label: 'no og:title',
  subject: 'title',
  lacks: 'og:title',
  family: 'open-graph',
  level: 'error',
  looksAt: 'The tag og:title.',
  why: 'Most places take the card’s title from it, without the site’s name that a <title> carries.',
  example: '<meta property="og:title" content="…">',
  instead: 'Cards show the <title> instead.',
})
