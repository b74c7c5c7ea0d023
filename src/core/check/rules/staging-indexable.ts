import { isAllowed, isPrivateHost, pathOf } from '../../address'
import { isKeptOut } from '../../surface'
import { defineCheck } from '../define-check'
import { isAlive } from '../known-page'

export const stagingIndexable = defineCheck({
  id: 'staging-indexable',
  label: 'staging in search',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'site',
  looksAt: 'Whether a public staging server is kept out of search, by robots.txt, noindex or a login.',
  why: 'Search lists the staging server beside the site, or in its place.',
  messages: {
    open: {
      says: '{host} is public, and nothing keeps its pages out of search.',
      fix: 'Ask for a login there, or send X-Robots-Tag: noindex with every page of it.',
      repair: { do: 'askPerson', needs: 'a staging server that keeps search out', where: 'server' },
    },
  },
  check(context) {
    const { source } = context.gathering
    const { build, site } = context.addresses
    if (build === null || (source.kind !== 'url' && source.kind !== 'sitemap')) return []
    const { host, hostname } = new URL(build)
    if (host === new URL(site).host || isPrivateHost(hostname) || context.cards.loginPassed) return []
    const { robots } = context.cards
    const open = context.readable.filter(
      (page) =>
        isAlive(page) &&
        !isKeptOut(page, 'Googlebot') &&
        (!robots || isAllowed(robots, 'Googlebot', pathOf(context.addresses.toBuild(page.url)))),
    )
    return open.length === 0 ? [] : [{ message: 'open', pages: open.map(({ url }) => url), data: { host } }]
  },
})
