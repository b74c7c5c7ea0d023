import type { GatheredPage } from '../../model'
import { defineCheck } from '../define-check'

const STARTER =
  /\/(?:new-(?:page|post)(?:-\d+)?|untitled(?:-\d+)?|page-title|sample-page|lorem-ipsum|test-page)(?:\.html?)?\/?$/i

/** The last segment of a copy's path, with what it would be a copy of. */
const COPY = /\/(?:copy-of-([^/]+?)|([^/]+?)-copy(?:-\d+)?)((?:\.html?)?\/?)$/i

/** Where the original of a copy would stand; null where the path is no copy's. */
function originalOf(url: URL): string | null {
  const found = COPY.exec(url.pathname)
  if (!found) return null
  const name = found[1] ?? found[2]!
  return new URL(url.pathname.slice(0, found.index + 1) + name + found[3]!, url.href).href
}

/** A title without what an editor puts to that of a copy. */
const plainTitle = (title: string | null) =>
  title
    ?.toLowerCase()
    .replace(/^copy of /, '')
    .replace(/ \(?copy(?: \d+)?\)?$/, '')
    .trim() ?? null

/** Titles of a run's pages by their URLs, worked out once. */
const known = new WeakMap<readonly GatheredPage[], ReadonlyMap<string, string | null>>()

function titlesOf(pages: readonly GatheredPage[]): ReadonlyMap<string, string | null> {
  const found = known.get(pages) ?? new Map(pages.map(({ url, facts }) => [url, plainTitle(facts?.title ?? null)]))
  known.set(pages, found)
  return found
}

export const addressPlaceholder = defineCheck({
  id: 'address-placeholder',
  label: 'template’s address',
  subject: 'address',
  family: 'access',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'The page’s own address, and for a copy the page beside it that it is a copy of.',
  why: 'An address that the template made up stays on every link that is ever shared.',
  messages: {
    starter: {
      says: 'The address {path} still comes from the template.',
      fix: 'Name the page after what it is before it is shared: later the address should not change.',
      repair: { do: 'askPerson', needs: 'an address that says what the page is' },
    },
  },
  check({ url, facts }, context) {
    const address = new URL(url)
    const { pathname } = address
    const found = [{ message: 'starter', data: { path: pathname } }]
    if (STARTER.test(pathname)) return found
    // A copy has its original beside it, and says the same: a page about copying is none.
    const original = originalOf(address)
    const beside = original === null ? null : titlesOf(context.pages).get(original)
    const title = plainTitle(facts?.title ?? null)
    return title !== null && beside === title ? found : []
  },
})
