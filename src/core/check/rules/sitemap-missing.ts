import { isNamedSite, isPreviewHost, isPrivateHost, parseRobots, parseUrl } from '../../address'
import { defineCheck, skipCheck } from '../define-check'

/** Is it an address of this machine, or of a preview? */
function isBeforeLaunch(address: string): boolean {
  const host = parseUrl(address)?.hostname ?? ''
  return isPrivateHost(host) || isPreviewHost(host)
}

export const sitemapMissing = defineCheck({
  id: 'sitemap-missing',
  label: 'no sitemap',
  subject: 'access',
  family: 'access',
  level: 'note',
  scope: 'site',
  looksAt: 'The sitemaps that robots.txt names, or sitemap.xml.',
  why: 'Crawlers find new pages sooner by a sitemap, and pages that few link to at all.',
  messages: {
    none: {
      says: 'There is no sitemap.',
      fix: 'Have the build write /sitemap.xml, and name it in robots.txt.',
      repair: { do: 'askPerson', needs: 'a sitemap', where: 'site' },
    },
    wrong: {
      says: 'robots.txt names the sitemap {url}, which is not on the site.',
      fix: 'Name {own} in robots.txt.',
      repair: { do: 'askPerson', needs: 'a robots.txt that names the site’s own sitemap', where: 'site' },
    },
    broken: {
      says: 'The sitemap {url} can’t be read: {reason}',
      fix: 'Correct it, or the line of robots.txt that names it.',
      repair: { do: 'askPerson', needs: 'a sitemap that can be read', where: 'site' },
    },
  },
  check({ gathering, addresses }) {
    const sitemaps = gathering.survey?.sitemaps
    if (!sitemaps) return skipCheck('sitemap-not-looked-for')
    const named = gathering.robotsTxt === null ? [] : parseRobots(gathering.robotsTxt).sitemaps
    const elsewhere = named.filter((url) => /^https?:/i.test(url) && !addresses.isOnSite(url))
    // Left over from where the site was built; one on a host of its own (sitemaps.org) is not looked at here.
    const wrong = isNamedSite(addresses.site) ? elsewhere.filter((url) => isBeforeLaunch(url)) : []
    if (wrong.length > 0) {
      const own = sitemaps.read.find((url) => addresses.isOnSite(url)) ?? `${addresses.site}sitemap.xml`
      return [{ message: 'wrong', pages: [], data: { url: wrong[0]!, own } }]
    }
    if (elsewhere.length > 0 && sitemaps.read.length === 0) return skipCheck('sitemap-elsewhere')
    if (sitemaps.read.length > 0) {
      return sitemaps.failed.map(({ url, reason }) => ({ message: 'broken', pages: [], data: { url, reason } }))
    }
    return [{ message: 'none', pages: [] }]
  },
})
