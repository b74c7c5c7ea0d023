import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const identityMissing = defineCheck({
  id: 'identity-missing',
  label: 'site unnamed',
  subject: 'site-name',
  alsoReads: ['rich-data'],
  family: 'rich-data',
  level: 'note',
  scope: 'site',
  looksAt: 'og:site_name and JSON-LD of all pages.',
  why: 'Places that name the site over a card have nothing to name.',
  messages: {
    absent: {
      says: 'No page says whose site this is.',
      fix: 'Add og:site_name to every page, or an Organization or Person to the home page’s JSON-LD.',
      repair: { do: 'setTag', tag: 'og:site_name' },
    },
  },
  check({ readable }) {
    const isNamed = readable.some(
      ({ facts }) =>
        facts.metas.some(({ key, value }) => key === 'og:site_name' && !isBlank(value)) ||
        facts.jsonLd.some(({ types }) =>
          types.some((type) => /(?:Organization|Person|LocalBusiness|Corporation)$/.test(type)),
        ),
    )
    return isNamed || readable.length === 0 ? [] : [{ message: 'absent', pages: readable.map(({ url }) => url) }]
  },
})
