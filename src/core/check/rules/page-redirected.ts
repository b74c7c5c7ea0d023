import { baseOf, resolveAddress } from '../../address'
import { REFRESH_STATUS } from '../../crawl'
import type { GatheredPage, PageFacts, RedirectHop } from '../../model'
import { refreshAddress } from '../../page'
import { plural } from '../../text'
import type { PageContext } from '../context'
import { defineCheck, type Raised } from '../define-check'
import { linkerWords } from '../linker-words'

const chainWords = (chain: readonly RedirectHop[]) =>
  chain.map(({ status, url }) => (status === REFRESH_STATUS ? `a refresh to ${url}` : `${status} to ${url}`)).join(', ')

export const pageRedirected = defineCheck({
  id: 'page-redirected',
  label: 'redirected link',
  subject: 'access',
  family: 'access',
  level: 'note',
  scope: 'access',
  looksAt: 'Addresses that links on the site name, and where they lead.',
  why: 'Each redirect costs the visitor time, and some places give up on long chains.',
  messages: {
    redirects: {
      says: '{address} leads here by {count}: {chain}.{links}',
      fix: 'Link to {own}.',
      repair: { do: 'askPerson', needs: 'links that name {own}' },
    },
    loop: {
      says: '{address} redirects in a circle: {chain}.{links}',
      fix: 'Break the circle, or correct the links.',
      repair: { do: 'askPerson', needs: 'a server that does not send it in a circle', where: 'server' },
    },
    refresh: {
      says: 'The page has a text of its own, and sends visitors on to {to} after {seconds}.',
      fix: 'Remove the refresh on line {line}, or the text.',
      anywhere: 'Remove the refresh, or the text.',
      repair: { do: 'askPerson', needs: 'a page without the refresh, or nothing but the refresh' },
    },
  },
  check(page, context) {
    const { url, fetch } = page
    const sentOn = page.facts ? refreshOf({ ...page, facts: page.facts }, context) : []
    const { redirects, ledHereBy, linkers, errorCode } = fetch
    if (errorCode === 'redirect-loop') {
      const data = { address: url, chain: chainWords(redirects), links: linkerWords(linkers) }
      return [{ message: 'loop', level: 'error' as const, data }]
    }
    if (fetch.error !== null) return []
    // Runs of before it was noted who links know only the chain of the first address that was asked for.
    const known = redirects.length === 0 ? [] : [{ address: 'A link', chain: redirects, linkers: undefined }]
    // What nobody links to costs nobody a step.
    const linked = (ledHereBy ?? known).filter((lead) => lead.linkers === undefined || lead.linkers.count > 0)
    const led = linked.map(({ address, chain, linkers: own }) => ({
      message: 'redirects',
      data: {
        address,
        count: chain.length === 1 ? 'a redirect' : `${chain.length} redirects`,
        chain: chainWords(chain),
        links: linkerWords(own),
        own: url,
      },
    }))
    return [...sentOn, ...led]
  },
})

/** Longer than this, and people have read the page before they are sent on. */
const SOON_SECONDS = 10

/** A refresh of a page that is more than a redirect. */
function refreshOf(page: GatheredPage & { facts: PageFacts }, { addresses }: PageContext): Raised[] {
  const tag = page.facts.metas.find(({ key, attribute }) => key === 'refresh' && attribute === 'http-equiv')
  const raw = tag ? refreshAddress(tag.value ?? '') : null
  const to = raw === null ? null : resolveAddress(raw, baseOf(page.url, page.facts.base))
  const seconds = Number.parseFloat(tag?.value ?? '')
  if (!tag || to === null || !(seconds <= SOON_SECONDS) || addresses.toPublic(to) === page.url) return []
  const data = { to: addresses.toPublic(to), seconds: plural(seconds, 'second'), line: tag.line }
  return [{ message: 'refresh', level: 'warning', at: tag, data }]
}
