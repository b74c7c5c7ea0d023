import { addTo } from '../../text'
import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const siteNameVaries = defineCheck({
  id: 'site-name-varies',
  label: 'site name varies',
  subject: 'site-name',
  isAboutSharing: true,
  family: 'text',
  level: 'warning',
  scope: 'site',
  looksAt: 'og:site_name of all pages.',
  why: 'One site under several names looks like several sites.',
  messages: {
    varies: {
      says: 'og:site_name differs: {names}.',
      fix: 'Use one name on all pages; these have another than most.',
      mend: { say: 'og:site_name', as: '{usual}' },
    },
  },
  check({ readable }) {
    const pagesByName = new Map<string, string[]>()
    for (const page of readable) {
      const name = textsOf(page.facts, ['og:site_name'])[0]?.text
      if (name) addTo(pagesByName, name, page.url)
    }
    if (pagesByName.size < 2) return []
    const [most, ...others] = [...pagesByName].sort(([, a], [, b]) => b.length - a.length)
    const names = [most!, ...others]
      .slice(0, 4)
      .map(([name]) => `“${name}”`)
      .join(', ')
    return [{ message: 'varies', pages: others.flatMap(([, urls]) => urls), data: { names, usual: most![0] } }]
  },
})
