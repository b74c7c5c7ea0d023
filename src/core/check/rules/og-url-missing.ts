import { requiredTag } from '../required-tag'

export const ogUrlMissing = requiredTag('og:url', {
  id: 'og-url-missing',
  label: 'no og:url',
  subject: 'address',
  lacks: 'og:url',
  family: 'open-graph',
  level: 'warning',
  looksAt: 'The tag og:url.',
  why: 'It is the address that shares are counted under and that the card links to.',
  example: '<meta property="og:url" content="https://…"> with the page’s public address',
  instead: 'Each variant of the address is held apart.',
})
