import { defineCheck, skipCheck } from '../define-check'

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
      mend: { needs: 'a sitemap', where: 'site' },
    },
    broken: {
      says: 'The sitemap {url} can’t be read: {reason}',
      fix: 'Correct it, or the line of robots.txt that names it.',
      mend: { needs: 'a sitemap that can be read', where: 'site' },
    },
  },
  check({ gathering }) {
    const sitemaps = gathering.survey?.sitemaps
    if (!sitemaps) return skipCheck('sitemap-not-looked-for')
    if (sitemaps.read.length > 0) {
      return sitemaps.failed.map(({ url, reason }) => ({ message: 'broken', pages: [], data: { url, reason } }))
    }
    return [{ message: 'none', pages: [] }]
  },
})
