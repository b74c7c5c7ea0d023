import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const siteNameMissing = defineCheck({
  id: 'site-name-missing',
  label: 'no site name',
  subject: 'site-name',
  lacks: 'og:site_name',
  isAboutSharing: true,
  family: 'text',
  level: 'note',
  scope: 'page',
  looksAt: 'og:site_name.',
  why: 'Chats show it over the title; without it they show the bare host.',
  messages: {
    absent: {
      says: 'There is no og:site_name.',
      fix: 'Add <meta property="og:site_name"> with the name of the site.',
      repair: { do: 'setTag', tag: 'og:site_name' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['og:site_name']).length === 0 ? [{ message: 'absent' }] : []
  },
})
