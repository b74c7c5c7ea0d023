import { defineCheck } from '../define-check'

export const pageUnreachable = defineCheck({
  id: 'page-unreachable',
  family: 'access',
  level: 'error',
  scope: 'access',
  looksAt: 'How the page’s address answers.',
  why: 'A link to it shows a bare address everywhere.',
  messages: {
    status: { says: '{url} answered {status}.', fix: 'Put the page there, or correct the links that lead to it.' },
    login: {
      says: '{url} is behind a login ({status}).',
      fix: 'Open it to crawlers before launch, or give the run the login.',
    },
    failed: {
      says: '{url} could not be read. {reason}',
      fix: 'Open the address in a browser and see what the server says.',
    },
  },
  check({ url, fetch }) {
    const { status, error } = fetch
    if (error !== null) return [{ message: 'failed', data: { url, reason: error } }]
    if (status === null || status < 400) return []
    return [{ message: status === 401 || status === 403 ? 'login' : 'status', data: { url, status } }]
  },
})
