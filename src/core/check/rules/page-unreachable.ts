import { defineCheck } from '../define-check'
import { linkerWords } from '../linker-words'

export const pageUnreachable = defineCheck({
  id: 'page-unreachable',
  label: 'unreachable',
  subject: 'access',
  family: 'access',
  level: 'error',
  scope: 'access',
  hangsOn: 'run',
  looksAt: 'How the page’s address answers.',
  why: 'A link to it shows a bare address everywhere.',
  messages: {
    status: {
      says: '{url} answered {status}.{links}',
      fix: 'Put the page there, or correct the links that lead to it.',
      mend: { needs: 'the page, or other links' },
    },
    missing: {
      says: '{url} is not in the build.{links}',
      fix: 'Build the page, or correct the links that lead to it.',
      mend: { needs: 'the page, or other links' },
    },
    login: {
      says: '{url} is behind a login ({status}).{links}',
      fix: 'Open it to crawlers before launch, or give the run the login.',
      mend: { needs: 'the page open to crawlers', where: 'server' },
    },
    failed: {
      says: '{url} could not be read. {reason}{links}',
      fix: 'Open the address in a browser and see what the server says.',
      mend: { needs: 'a server that answers', where: 'server' },
    },
  },
  check({ url, file, fetch }, { gathering }) {
    const { status, error, errorCode, linkers } = fetch
    const data = { url, links: linkerWords(linkers) }
    // A circle of redirects is said by page-redirected, with its chain.
    if (errorCode === 'redirect-loop') return []
    if (error !== null) return [{ message: 'failed', data: { ...data, reason: error } }]
    if (status === null || status < 400) return []
    const isBuild = gathering.source.kind === 'folder' || gathering.source.kind === 'zip'
    if (isBuild && file === null) return [{ message: 'missing', data }]
    return [{ message: status === 401 || status === 403 ? 'login' : 'status', data: { ...data, status } }]
  },
})
