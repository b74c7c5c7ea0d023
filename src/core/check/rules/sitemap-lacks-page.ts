import { isAllowed, pathOf } from '../../address'
import { isKeptOut } from '../../surface'
import { defineCheck, skipCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'

export const sitemapLacksPage = defineCheck({
  id: 'sitemap-lacks-page',
  label: 'not in sitemap',
  subject: 'access',
  isOfEachPage: true,
  family: 'access',
  level: 'note',
  scope: 'site',
  looksAt: 'Pages that may be listed in search, against the sitemap.',
  why: 'A sitemap that leaves pages out makes crawlers slow to see them, and to see that they changed.',
  messages: {
    lacks: {
      says: 'The sitemap leaves out {count} pages, such as {such}.',
      fix: 'Have the build write every page into it.',
      repair: { do: 'askPerson', needs: 'a sitemap with every page', where: 'site' },
    },
    lacksOne: {
      says: 'The sitemap leaves out {such}.',
      fix: 'Have the build write every page into it.',
      repair: { do: 'askPerson', needs: 'a sitemap with every page', where: 'site' },
    },
  },
  check(context) {
    const sitemaps = context.gathering.survey?.sitemaps
    if (!sitemaps) return skipCheck('sitemap-not-looked-for')
    if (sitemaps.read.length === 0) return skipCheck('no-sitemap')
    const listed = new Set(
      sitemaps.pages.flatMap((url) => {
        const known = knownPage(url, context)
        return known.kind === 'page' || known.kind === 'redirect' ? [known.page.url] : []
      }),
    )
    const { robots } = context.cards
    const lacking = context.readable.filter((page) => {
      if (listed.has(page.url) || !isAlive(page) || isKeptOut(page, 'Googlebot')) return false
      if (robots && !isAllowed(robots, 'Googlebot', pathOf(page.url))) return false
      // A page that names another as its canonical address is listed under that one.
      const canonical = page.facts.canonical ? knownPage(page.facts.canonical, context) : null
      return canonical?.kind !== 'page' || canonical.page.url === page.url
    })
    if (lacking.length === 0) return []
    const pages = lacking.map(({ url }) => url)
    return [
      {
        message: pages.length === 1 ? 'lacksOne' : 'lacks',
        pages,
        data: { count: pages.length, such: pages[0]! },
      },
    ]
  },
})
