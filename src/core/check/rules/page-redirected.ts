import { defineCheck } from '../define-check'

export const pageRedirected = defineCheck({
  id: 'page-redirected',
  family: 'access',
  level: 'note',
  scope: 'access',
  looksAt: 'Addresses that links on the site name, and where they lead.',
  why: 'Each redirect costs the visitor time, and some places give up on long chains.',
  messages: {
    redirects: { says: 'A link leads here by {count}: {chain}.', fix: 'Link to the last address.' },
  },
  check({ fetch }) {
    if (fetch.error !== null || fetch.redirects.length === 0) return []
    const { redirects } = fetch
    const chain = redirects.map(({ status, url }) => `${status} to ${url}`).join(', ')
    return [
      {
        message: 'redirects',
        data: { count: redirects.length === 1 ? 'a redirect' : `${redirects.length} redirects`, chain },
      },
    ]
  },
})
