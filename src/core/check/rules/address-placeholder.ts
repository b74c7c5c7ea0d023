import { defineCheck } from '../define-check'

const STARTER =
  /\/(?:new-(?:page|post)(?:-\d+)?|untitled(?:-\d+)?|page-title|sample-page|copy-of-[^/]*|[^/]+-copy(?:-\d+)?|lorem-ipsum|test-page)(?:\.html?)?\/?$/i

export const addressPlaceholder = defineCheck({
  id: 'address-placeholder',
  label: 'template’s address',
  subject: 'address',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'The page’s own address.',
  why: 'An address that the template made up stays on every link that is ever shared.',
  messages: {
    starter: {
      says: 'The address {path} still comes from the template.',
      fix: 'Name the page after what it is before it is shared: later the address should not change.',
      mend: { needs: 'an address that says what the page is' },
    },
  },
  check({ url }) {
    const { pathname } = new URL(url)
    return STARTER.test(pathname) ? [{ message: 'starter', data: { path: pathname } }] : []
  },
})
