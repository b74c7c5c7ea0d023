import { defineCheck, skipCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'

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
      mend: { needs: 'a sitemap without them', where: 'site' },
    },
    deadOne: {
      says: 'The sitemap lists {such}, which is not there.',
      fix: 'Take it out, or bring the page back.',
      mend: { needs: 'a sitemap without it', where: 'site' },
    },
  },
  check(context) {
    const sitemaps = context.gathering.survey?.sitemaps
    if (!sitemaps) return skipCheck('sitemap-not-looked-for')
    const dead = sitemaps.pages.filter((url) => {
      const known = knownPage(url, context)
      return known.kind === 'dead' || (known.kind === 'page' && !isAlive(known.page))
    })
    if (dead.length === 0) return []
    return [
      { message: dead.length === 1 ? 'deadOne' : 'dead', pages: dead, data: { count: dead.length, such: dead[0]! } },
    ]
  },
})
