import { lacksDescription } from '../page-texts'
import { requiredTag } from '../required-tag'

export const ogDescriptionMissing = requiredTag('og:description', {
  id: 'og-description-missing',
  label: 'no og:description',
  subject: 'description',
  lacks: 'og:description',
  family: 'open-graph',
  level: 'warning',
  looksAt: 'The tag og:description.',
  why: 'Most places take the sentence under the title from it.',
  example: '<meta property="og:description" content="…">',
  instead: 'Cards show the description.',
  // Where there is no description at all, that is the fault.
  unless: (facts) => lacksDescription(facts),
})
