import { withoutQuery } from '../address'
import type { GatheredPage } from '../model'
import type { CheckContext } from './context'

/** What a run knows of an address on the site. */
export type Known =
  | { kind: 'page'; page: GatheredPage }
  /** It leads to a page by a redirect. */
  | { kind: 'redirect'; page: GatheredPage }
  /** It is not there: the build lacks it, or the server answered so; null: no server was asked. */
  | { kind: 'dead'; status: number | null }
  /** A crawl that never came by there can't say. */
  | { kind: 'unknown' }

/**
 * One spelling for the addresses under which a build serves one file: `/lamp`, `/lamp.html`, `/lamp/`, `/lamp/index.html`,
 * by http or https: another scheme is a form of the page, which other checks tell.
 */
const comparableAddress = (url: string) =>
  withoutQuery(url)
    .replace(/^http:/, 'https:')
    .replace(/(?:\/index\.html?|\.html?|\/)$/, '')

type Index = {
  exact: Map<string, GatheredPage>
  pages: Map<string, GatheredPage>
  aliases: Map<string, GatheredPage>
  isWhole: boolean
  /** URLs that something names and that are not there, with what a server answered. */
  missing: Map<string, number | null>
}
const indexes = new WeakMap<CheckContext, Index>()

function indexOf(context: CheckContext): Index {
  const found = indexes.get(context)
  if (found) return found
  const { source, incomplete, scope, survey } = context.gathering
  const isBuild = source.kind === 'folder' || source.kind === 'zip'
  const pages = new Map<string, GatheredPage>()
  for (const page of context.pages) {
    const key = comparableAddress(page.url)
    const known = pages.get(key)
    // Of two that differ only in their form, the one that is there.
    if (!known || (!isAlive(known) && isAlive(page))) pages.set(key, page)
  }
  const made: Index = {
    exact: new Map(context.pages.map((page) => [page.url, page])),
    pages,
    aliases: new Map(context.pages.flatMap((page) => page.fetch.aliases.map((url) => [comparableAddress(url), page]))),
    // Only a build that was read to its end can be said not to hold something.
    isWhole: isBuild && incomplete.length === 0 && scope.length === 0,
    missing: new Map((survey?.missing ?? []).map(({ url, status }) => [comparableAddress(url), status])),
  }
  indexes.set(context, made)
  return made
}

/** Looks up a public address among the run's pages. Addresses of other sites are not known. */
export function knownPage(url: string, context: CheckContext): Known {
  if (!context.addresses.isOnSite(url)) return { kind: 'unknown' }
  const index = indexOf(context)
  const exact = index.exact.get(url)
  if (exact) return { kind: 'page', page: exact }
  const key = comparableAddress(url)
  const led = index.aliases.get(key)
  const page = index.pages.get(key)
  // An address that redirects is told apart from a page that is written in another form.
  if (page && !(led && !isAlive(page))) return { kind: 'page', page }
  if (led) return { kind: 'redirect', page: led }
  // Files that are no pages (a PDF, a picture) are in no list of pages.
  const isPageLike = !/\.[a-z0-9]{1,5}$/i.test(new URL(url).pathname) || /\.html?$/i.test(new URL(url).pathname)
  const missing = index.missing.get(key)
  if (missing !== undefined) return { kind: 'dead', status: missing }
  return index.isWhole && isPageLike ? { kind: 'dead', status: null } : { kind: 'unknown' }
}

/** Did the page answer as a page should? */
export const isAlive = (page: GatheredPage): boolean => page.fetch.error === null && (page.fetch.status ?? 0) < 400
