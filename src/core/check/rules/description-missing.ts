import { metasOf } from '../../surface'
import { defineCheck } from '../define-check'
import { lacksDescription } from '../page-texts'

export const descriptionMissing = defineCheck({
  id: 'description-missing',
  label: 'description not set',
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
      repair: [
        { do: 'setTag', tag: 'description' },
        { do: 'setTag', tag: 'og:description' },
      ],
    },
  },
  check({ facts }) {
    const [tag] = [...metasOf(facts, 'description'), ...metasOf(facts, 'og:description')]
    return lacksDescription(facts) ? [{ message: 'absent', at: tag ?? null }] : []
  },
})
