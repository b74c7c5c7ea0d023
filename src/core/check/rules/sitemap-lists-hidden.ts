import { isAllowed, pathOf } from '../../address'
import { isKeptOut } from '../../surface'
import { addTo } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck, skipCheck } from '../define-check'
import { knownPage } from '../known-page'

/** The crawler that sitemaps are mostly written for. */
const SEARCH = 'Googlebot'

/** Why search can't list a page that the sitemap lists; null when it can. */
function hiddenBy(url: string, context: CheckContext): 'noindex' | 'redirected' | 'disallowed' | null {
  const { robots } = context.cards
  if (robots && context.addresses.isOnSite(url) && !isAllowed(robots, SEARCH, pathOf(url))) {
    // Where robots.txt keeps the places' crawlers out too, that is the fault, and told as such.
    const isClosed = context.surfaces.some(
      ({ token, isListing }) => token !== null && !isListing && !isAllowed(robots, token, pathOf(url)),
    )
    return isClosed ? null : 'disallowed'
  }
  const known = knownPage(url, context)
  if (known.kind === 'redirect') return 'redirected'
  return known.kind === 'page' && known.page.facts && isKeptOut(known.page, SEARCH) ? 'noindex' : null
}

const WORDS = {
  noindex: 'kept out of search by noindex',
  redirected: 'redirected',
  disallowed: 'kept from crawlers by robots.txt',
} as const

export const sitemapListsHidden = defineCheck({
  id: 'sitemap-lists-hidden',
  label: 'sitemap lists hidden',
  subject: 'access',
  isOfEachPage: true,
  family: 'access',
  level: 'warning',
  scope: 'site',
  looksAt: 'Pages of the sitemap that search can’t list, and the hosts that robots.txt and sitemap name.',
  why: 'The site says yes and no of the same page; which of the two counts is anyone’s guess.',
  messages: {
    hidden: {
      says: 'The sitemap lists {count} that are {how}, such as {such}.',
      fix: 'Take them out of the sitemap, or let them be found.',
      repair: { do: 'askPerson', needs: 'a sitemap without them', where: 'site' },
    },
    hiddenOne: {
      says: 'The sitemap lists {such}, which is {how}.',
      fix: 'Take it out of the sitemap, or let it be found.',
      repair: { do: 'askPerson', needs: 'a sitemap without it', where: 'site' },
    },
    noindex: {
      says: 'The sitemap lists {count}, such as {such}, that noindex keeps out of search.',
      fix: 'Either take them out of the sitemap, or let them be found.',
      repair: { do: 'askPerson', needs: 'a decision: is the page meant to be found?' },
    },
    noindexOne: {
      says: 'The sitemap lists {such}, which noindex keeps out of search.',
      fix: 'Either take it out of the sitemap, or let it be found.',
      repair: { do: 'askPerson', needs: 'a decision: is the page meant to be found?' },
    },
    staging: {
      says: 'robots.txt or the sitemap names the staging server: {such}.',
      fix: 'Have the build write the production address.',
      repair: { do: 'askPerson', needs: 'the production address in robots.txt and sitemap', where: 'site' },
    },
  },
  check(context) {
    const { survey } = context.gathering
    if (!survey?.sitemaps) return skipCheck('sitemap-not-looked-for')
    const byHow = new Map<keyof typeof WORDS, string[]>()
    for (const url of survey.sitemaps.pages) {
      const how = hiddenBy(url, context)
      if (how) addTo(byHow, how, url)
    }
    const hidden = [...byHow].map(([how, urls]) => ({
      message: `${how === 'noindex' ? 'noindex' : 'hidden'}${urls.length === 1 ? 'One' : ''}`,
      pages: urls.flatMap((url) => {
        const known = knownPage(url, context)
        return known.kind === 'page' || known.kind === 'redirect' ? [known.page.url] : []
      }),
      data: { count: urls.length, how: WORDS[how], such: urls[0]! },
    }))
    const [such] = survey.onStaging
    return such === undefined ? hidden : [...hidden, { message: 'staging', pages: [], data: { such } }]
  },
})
