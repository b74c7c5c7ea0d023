import { REFRESH_STATUS } from '../../crawl'
import type { RedirectHop } from '../../model'
import { defineCheck } from '../define-check'
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
      mend: { needs: 'links that name {own}' },
    },
    loop: {
      says: '{address} redirects in a circle: {chain}.{links}',
      fix: 'Break the circle, or correct the links.',
      mend: { needs: 'a server that does not send it in a circle', where: 'server' },
    },
  },
  check({ url, fetch }) {
    const { redirects, ledHereBy, linkers, errorCode } = fetch
    if (errorCode === 'redirect-loop') {
      const data = { address: url, chain: chainWords(redirects), links: linkerWords(linkers) }
      return [{ message: 'loop', level: 'error' as const, data }]
    }
    if (fetch.error !== null) return []
    // Runs of before it was noted who links know only the chain of the first address that was asked for.
    const known = redirects.length === 0 ? [] : [{ address: 'A link', chain: redirects, linkers: undefined }]
    return (ledHereBy ?? known).map(({ address, chain, linkers: own }) => ({
      message: 'redirects',
      data: {
        address,
        count: chain.length === 1 ? 'a redirect' : `${chain.length} redirects`,
        chain: chainWords(chain),
        links: linkerWords(own),
        own: url,
      },
    }))
  },
})
