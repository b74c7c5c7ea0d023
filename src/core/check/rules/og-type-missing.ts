import { requiredTag } from '../required-tag'

export const ogTypeMissing = requiredTag('og:type', {
  id: 'og-type-missing',
  label: 'no og:type',
  subject: 'type',
  lacks: 'og:type',
  family: 'open-graph',
  level: 'warning',
  looksAt: 'The tag og:type.',
  why: 'It says what kind of thing the page is; richer cards depend on it.',
  example: '<meta property="og:type" content="website">, or article for an article',
  instead: 'The page counts as a plain website.',
})
