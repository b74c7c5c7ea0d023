import { addTo, groupBy } from '../../text'
import { defineCheck } from '../define-check'
import { spokenLanguage } from '../language-versions'
import { textsOf } from '../page-texts'

export const accountVaries = defineCheck({
  id: 'account-varies',
  label: 'account varies',
  subject: 'account',
  alsoReads: ['language', 'description'],
  family: 'open-graph',
  level: 'warning',
  scope: 'site',
  looksAt: 'twitter:site and fb:app_id of all pages of one language.',
  why: 'Shares are counted for another account on some pages.',
  messages: {
    varies: {
      says: '{key} differs: {names}.',
      fix: 'Use one on all pages; these have another than most.',
      repair: { do: 'setTag', tag: '{key}', to: '{usual}' },
    },
  },
  check({ readable }) {
    // A site may have an account in each of its languages.
    const byLanguage = [...groupBy(readable, ({ facts }) => spokenLanguage(facts)).values()]
    return byLanguage.flatMap((pages) =>
      ['twitter:site', 'fb:app_id'].flatMap((key) => {
        const pagesBy = new Map<string, string[]>()
        const written = new Map<string, string>()
        for (const page of pages) {
          const value = textsOf(page.facts, [key])[0]?.text.toLowerCase()
          if (!value) continue
          addTo(pagesBy, value, page.url)
          written.set(value, textsOf(page.facts, [key])[0]!.text)
        }
        if (pagesBy.size < 2) return []
        const [most, ...others] = [...pagesBy].sort(([, a], [, b]) => b.length - a.length)
        const names = [most!, ...others]
          .slice(0, 4)
          .map(([name]) => name)
          .join(', ')
        return [
          {
            message: 'varies',
            pages: others.flatMap(([, urls]) => urls),
            data: { key, names, usual: written.get(most![0])! },
          },
        ]
      }),
    )
  },
})
