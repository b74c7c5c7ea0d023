import { requiredTag } from '../required-tag'

export const cardMissing = requiredTag('twitter:card', {
  id: 'card-missing',
  label: 'no card kind',
  subject: 'card',
  lacks: 'twitter:card',
  family: 'open-graph',
  level: 'warning',
  looksAt: 'The tag twitter:card.',
  why: 'It asks for the large card. Without it a fine wide picture appears as a stamp.',
  example: '<meta name="twitter:card" content="summary_large_image">',
  instead: 'The microblog shows the small card, or a bare link where there is no og: tag.',
})
