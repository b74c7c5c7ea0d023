import { addTo, groupBy } from '../../text'
import { defineCheck, type SiteRaised } from '../define-check'
import { spokenLanguage } from '../language-versions'
import { textsOf } from '../page-texts'

export const siteNameVaries = defineCheck({
  id: 'site-name-varies',
  label: 'site name varies',
  subject: 'site-name',
  alsoReads: ['language', 'description'],
  isAboutSharing: true,
  family: 'text',
  level: 'warning',
  scope: 'site',
  looksAt: 'og:site_name of all pages of one language.',
  why: 'One site under several names looks like several sites.',
  messages: {
    varies: {
      says: 'og:site_name differs: {names}.',
      fix: 'Use one name on all pages of the language; these have another than most.',
      repair: { do: 'setTag', tag: 'og:site_name', to: '{usual}' },
    },
  },
  check({ readable }) {
    // A site may have a name in each of its languages.
    return [...groupBy(readable, ({ facts }) => spokenLanguage(facts)).values()].flatMap((pages): SiteRaised[] => {
      const pagesByName = new Map<string, string[]>()
      for (const page of pages) {
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
    })
  },
})
