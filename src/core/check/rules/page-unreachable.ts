import { defineCheck } from '../define-check'
import { linkerWords } from '../linker-words'
import { explainedMissing } from '../missing-explained'

export const pageUnreachable = defineCheck({
  id: 'page-unreachable',
  label: 'unreachable',
  subject: 'access',
  isOfEachPage: true,
  family: 'access',
  level: 'error',
  scope: 'access',
  looksAt: 'How the page’s URL answers, and whether all URLs that the site names are there.',
  why: 'A link to it shows a bare address everywhere.',
  messages: {
    status: {
      says: '{url} answered {status}.{links}',
      fix: 'Put the page there, or correct the links that lead to it.',
      repair: { do: 'askPerson', needs: 'the page, or other links' },
    },
    missing: {
      says: '{count} URLs that the site names are not there, such as {such}.{links}',
      fix: 'Build these pages, or correct what names them.',
      repair: { do: 'askPerson', needs: 'these pages, or other links' },
    },
    missingOne: {
      says: '{such} is not there.{links}',
      fix: 'Build the page, or correct what names it.',
      repair: { do: 'askPerson', needs: 'the page, or other links' },
    },
    login: {
      says: '{url} is behind a login ({status}).{links}',
      fix: 'Give the run the login, and open the page to crawlers before launch.',
      repair: { do: 'askPerson', needs: 'the page open to crawlers', where: 'server' },
    },
    failed: {
      says: '{url} could not be read. {reason}{links}',
      fix: 'Open the address in a browser and see what the server says.',
      repair: { do: 'askPerson', needs: 'a server that answers', where: 'server' },
    },
  },
  check({ url, fetch }) {
    const { status, error, errorCode, linkers } = fetch
    const data = { url, links: linkerWords(linkers) }
    // A circle of redirects is said by page-redirected, with its chain.
    if (errorCode === 'redirect-loop') return []
    if (error !== null) return [{ message: 'failed', data: { ...data, reason: error } }]
    if (status === null || status < 400) return []
    return [{ message: status === 401 || status === 403 ? 'login' : 'status', data: { ...data, status } }]
  },
  ofMissing(all, context) {
    const explained = explainedMissing(all, context)
    const missing = all.filter(({ url }) => !explained.has(url))
    const [first] = missing
    if (!first) return []
    // Where a sitemap names it, no page does.
    const places = missing.flatMap(({ linkers }) => linkers.first.filter(({ line }) => line > 0))
    const data = { count: missing.length, such: first.url, links: linkerWords(first.linkers) }
    const message = missing.length === 1 ? 'missingOne' : 'missing'
    return [{ message, at: places[0] ?? null, pages: [...new Set(places.map(({ page }) => page))], data }]
  },
})
