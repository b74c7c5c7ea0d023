import type { GatheredPage, PageFacts } from '../../model'
import { firstValue } from '../../surface'
import { groupBy } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck, type SiteRaised } from '../define-check'
import { spokenLanguage } from '../language-versions'
import { generatorOf, starterTitleIn, titleParts, unresolvedIn } from '../placeholder'
import { isAddress } from './site-name-is-address'

/** So many titles that end alike show what the site calls itself there, and this share of all titles. */
const MIN_TITLES = 3
const HABIT = 0.6

const equal = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

type ReadPages = { readable: readonly (GatheredPage & { facts: PageFacts })[] }

/** The name that most pages give as og:site_name. */
export function usualName({ readable }: ReadPages): { name: string; pages: string[] } | null {
  const named = readable.flatMap((page) => {
    const name = firstValue(page.facts, 'og:site_name')
    return name ? [{ name, url: page.url }] : []
  })
  const [usual] = [...groupBy(named, ({ name }) => name)].sort(([, a], [, b]) => b.length - a.length)
  return usual ? { name: usual[0], pages: usual[1].map(({ url }) => url) } : null
}

/** What most titles end or begin with. */
export function usualAffix({ readable }: ReadPages): { name: string; pages: string[] } | null {
  const parts = readable.flatMap(({ url, facts }) => {
    const all = titleParts(facts.title ?? '')
    return all.length < 2 ? [] : [...new Set([all[0]!, all.at(-1)!])].map((name) => ({ name, url }))
  })
  const [usual] = [...groupBy(parts, ({ name }) => name)].sort(([, a], [, b]) => b.length - a.length)
  const isHabit = usual && usual[1].length >= MIN_TITLES && usual[1].length >= HABIT * readable.length
  return isHabit ? { name: usual[0], pages: usual[1].map(({ url }) => url) } : null
}

/** The name that JSON-LD gives the site: on the home page, or on several; an organization on one page may be its subject. */
function usualJsonLdName(context: CheckContext, name: string): { name: string; pages: string[] } | null {
  const said = context.readable.flatMap(({ url, facts }) => {
    const names = facts.jsonLd.flatMap(({ siteNames = [] }) => siteNames)
    // A page may name the site and, apart from it, the organization behind it.
    return names.some((one) => equal(one, name)) ? [] : names.slice(0, 1).map((one) => ({ name: one, url }))
  })
  const [usual] = [...groupBy(said, (one) => one.name)]
    .filter(([, pages]) => pages.length >= MIN_TITLES || pages.some(({ url }) => url === context.addresses.site))
    .sort(([, a], [, b]) => b.length - a.length)
  return usual ? { name: usual[0], pages: usual[1].map(({ url }) => url) } : null
}

/** Pages in the language of most of those: a site may have a name in each of its languages. */
function ofLanguage(context: CheckContext, urls: readonly string[]): ReadPages['readable'] {
  const named = new Set(urls)
  const languages = groupBy(
    context.readable.filter(({ url }) => named.has(url)),
    ({ facts }) => spokenLanguage(facts),
  )
  const [usual] = [...languages].sort(([, a], [, b]) => b.length - a.length)
  return context.readable.filter(({ facts }) => spokenLanguage(facts) === usual?.[0])
}

export const identityDiffers = defineCheck({
  id: 'identity-differs',
  label: 'names differ',
  subject: 'site-name',
  alsoReads: ['title', 'rich-data', 'language', 'description'],
  family: 'text',
  level: 'warning',
  scope: 'site',
  looksAt: 'og:site_name, the site’s name in the titles and in JSON-LD, and the name in the requirements.',
  why: 'A site that has two names looks like two sites.',
  messages: {
    titles: {
      says: 'Titles call the site “{affix}”, og:site_name calls it “{name}”.',
      fix: 'Use one name in both.',
      repair: { do: 'askPerson', needs: 'one name for the site' },
    },
    jsonLd: {
      says: 'JSON-LD calls the site “{said}”, og:site_name calls it “{name}”.',
      fix: 'Use one name in both.',
      repair: { do: 'askPerson', needs: 'one name for the site' },
    },
    both: {
      says: 'Titles and JSON-LD call the site “{affix}”, og:site_name calls it “{name}”.',
      fix: 'Use one name in all of them.',
      repair: { do: 'askPerson', needs: 'one name for the site' },
    },
    required: {
      says: 'og:site_name is “{name}”; the requirements call the site “{wanted}”.',
      fix: 'Write “{wanted}”, or change the requirements.',
      repair: { do: 'setTag', tag: 'og:site_name', to: '{wanted}' },
    },
  },
  check(context): SiteRaised[] {
    const usual = usualName(context)
    if (!usual) return []
    const wanted = context.requirements.identity?.name
    const affix = usualAffix({ readable: ofLanguage(context, usual.pages) })
    const inJsonLd = usualJsonLdName(context, usual.name)
    // A name that is none, or the template's, is told as that.
    const isTold = isAddress(usual.name) || starterTitleIn(usual.name, usual.name)?.proves === true
    const isGenerators = context.readable.some(({ facts }) => equal(generatorOf(facts) ?? '', usual.name))
    if (wanted === undefined && (isTold || isGenerators)) return []
    const isUnfilled = affix !== null && unresolvedIn(affix.name) !== null
    const isOther = affix !== null && !isUnfilled && !equal(affix.name, usual.name)
    if (isOther && inJsonLd && equal(affix.name, inJsonLd.name) && wanted === undefined) {
      const pages = [...new Set([...affix.pages, ...inJsonLd.pages])]
      return [{ message: 'both', pages, data: { affix: affix.name, name: usual.name } }]
    }
    return [
      ...(inJsonLd
        ? [{ message: 'jsonLd', pages: inJsonLd.pages, data: { said: inJsonLd.name, name: usual.name } }]
        : []),
      ...(wanted !== undefined && !equal(wanted, usual.name)
        ? [{ message: 'required', pages: usual.pages, data: { name: usual.name, wanted } }]
        : []),
      ...(isOther ? [{ message: 'titles', pages: affix.pages, data: { affix: affix.name, name: usual.name } }] : []),
    ]
  },
})
