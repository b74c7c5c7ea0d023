import { defineCheck, skipCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { explainedMissing } from '../missing-explained'

export const sitemapDeadEntry = defineCheck({
  id: 'sitemap-dead-entry',
  label: 'dead sitemap entry',
  subject: 'access',
  isOfEachPage: true,
  family: 'access',
  level: 'warning',
  scope: 'site',
  looksAt: 'Whether every page that the sitemap lists is there.',
  why: 'Crawlers ask for it in vain, and trust the rest of the list less.',
  messages: {
    dead: {
      says: 'The sitemap lists {count} addresses that are not there, such as {such}.',
      fix: 'Take them out, or bring the pages back.',
      repair: { do: 'askPerson', needs: 'a sitemap without them', where: 'site' },
    },
    deadOne: {
      says: 'The sitemap lists {such}, which is not there.',
      fix: 'Take it out, or bring the page back.',
      repair: { do: 'askPerson', needs: 'a sitemap without it', where: 'site' },
    },
  },
  check(context) {
    const sitemaps = context.gathering.survey?.sitemaps
    if (!sitemaps) return skipCheck('sitemap-not-looked-for')
    const dead = sitemaps.pages.filter((url) => {
      const known = knownPage(url, context)
      return known.kind === 'dead' || (known.kind === 'page' && !isAlive(known.page))
    })
    // What pages link to as well is told there.
    const missing = context.gathering.survey?.missing ?? []
    const explained = explainedMissing(missing, context)
    const linked = new Set(missing.filter(({ url }) => !explained.has(url)).map(({ url }) => url))
    const own = dead.filter((url) => !linked.has(url))
    if (own.length === 0) return []
    // A URL that is not there is an error, whoever names it.
    const level = own.some((url) => explained.has(url)) ? { level: 'error' as const } : {}
    return [
      {
        message: own.length === 1 ? 'deadOne' : 'dead',
        pages: own,
        data: { count: own.length, such: own[0]! },
        ...level,
      },
    ]
  },
})
