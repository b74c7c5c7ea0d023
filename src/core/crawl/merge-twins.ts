import type { GatheredPage } from '../model'
import { resolveAddress } from './address'

const twinOf = (url: string) => (url.endsWith('/') ? url.slice(0, -1) : `${url}/`)

const canonicalOf = (page: GatheredPage) =>
  page.facts?.canonical ? resolveAddress(page.facts.canonical, page.url) : null

/**
 * Two addresses that differ in a slash at the end are two pages, unless both name one of them as canonical: then they
 * are one page, and the other address is its alias. (Where one redirects to the other, they were never two.)
 */
export function mergeTwins(pages: readonly GatheredPage[]): GatheredPage[] {
  const byUrl = new Map(pages.map((page) => [page.url, page]))
  const aliases = new Map<string, string[]>()
  const dropped = new Set<string>()
  for (const page of pages) {
    const twin = byUrl.get(twinOf(page.url))
    const canonical = canonicalOf(page)
    if (!twin || canonical === null || canonical !== twin.url || canonicalOf(twin) !== canonical) continue
    dropped.add(page.url)
    aliases.set(twin.url, [page.url, ...page.fetch.aliases])
  }
  if (dropped.size === 0) return [...pages]
  return pages.flatMap((page) => {
    if (dropped.has(page.url)) return []
    const more = aliases.get(page.url)
    return [more ? { ...page, fetch: { ...page.fetch, aliases: [...page.fetch.aliases, ...more] } } : page]
  })
}
