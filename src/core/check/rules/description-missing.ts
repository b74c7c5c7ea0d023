import { metasOf } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const descriptionMissing = defineCheck({
  id: 'description-missing',
  label: 'no description',
  subject: 'description',
  lacks: 'description',
  isAboutSharing: true,
  family: 'text',
  level: 'error',
  scope: 'page',
  looksAt: 'description and og:description.',
  why: 'Without either, places show the first paragraph of the page, or nothing.',
  messages: {
    absent: {
      says: 'There is neither a description nor an og:description.',
      fix: 'Add <meta name="description"> and og:description: one sentence that makes a person click.',
      mend: [{ say: 'description' }, { say: 'og:description' }],
    },
  },
  check({ facts }) {
    const tags = [...metasOf(facts, 'description'), ...metasOf(facts, 'og:description')]
    return tags.some((tag) => !isBlank(tag.value)) ? [] : [{ message: 'absent', at: tags[0] ?? null }]
  },
})
