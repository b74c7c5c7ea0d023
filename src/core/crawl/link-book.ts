import { baseOf, pageAddress } from '../address'
import type { GatheredPage, Linkers, LinkPlace, PageFacts } from '../model'
import type { PageReading } from '../page'
import type { LinksOfPages } from './links-of-pages'

/** Links that are named of all that lead to one address. */
const NAMED = 3
const FOLLOWED_REL = /(?:^|\s)(?:canonical|next|prev|previous)(?:\s|$)/
const ALTERNATE = /(?:^|\s)alternate(?:\s|$)/
const SITEMAP = /(?:^|\s)sitemap(?:\s|$)/

/** One link of a page: the public address that it leads to, and where its tag stands. */
export type PageLink = { address: string; line: number; column: number }

/**
 * Links of a page that a crawl follows: `visible` are those that a visitor can take, `stated` the ones that its
 * `<link>`s make: other languages, the canonical address, neighbours in a series.
 */
export function linksOf(
  page: { url: string; facts: PageFacts | null },
  reading: Pick<PageReading, 'hrefs' | 'hrefPlaces'>,
  links: LinksOfPages,
): { visible: PageLink[]; stated: PageLink[] } {
  const base = baseOf(page.url, page.facts?.base ?? null)
  const visible: PageLink[] = []
  // One to a fragment of its own page leads nowhere: it is no word on the form of the page's URL.
  const leading = reading.hrefs.flatMap((href, index) => (href.startsWith('#') || href === '' ? [] : [index]))
  const hrefs = leading.length === reading.hrefs.length ? reading.hrefs : leading.map((index) => reading.hrefs[index]!)
  for (const [address, position] of links.resolve(hrefs, base)) {
    const index = leading[position]!
    visible.push({ address, line: reading.hrefPlaces[2 * index]!, column: reading.hrefPlaces[2 * index + 1]! })
  }
  const stated: PageLink[] = []
  for (const { rel, href, hreflang, line, column } of page.facts?.links ?? []) {
    if (!FOLLOWED_REL.test(rel) && !(ALTERNATE.test(rel) && hreflang !== undefined)) continue
    for (const address of links.resolve([href], base).keys()) stated.push({ address, line, column })
  }
  return { visible, stated }
}

/** Addresses of the sitemaps that a page's `<link rel=sitemap>`s name, as they are written, resolved. */
export function sitemapsNamedBy(page: Pick<GatheredPage, 'url' | 'facts'>): string[] {
  const { url, facts } = page
  if (!facts) return []
  const base = baseOf(url, facts.base)
  return facts.links.flatMap(({ rel, href }) => (SITEMAP.test(rel) ? (pageAddress(href, base) ?? []) : []))
}

/** Remembers who links to each address of the site: how many do, and the first few. */
export class LinkBook {
  private readonly linkers = new Map<string, Linkers & { isVisible: boolean }>()

  /** @param isVisible whether a visitor can take the link; tags and sitemaps name addresses too */
  note(address: string, place: LinkPlace, isVisible: boolean): void {
    const known = this.linkers.get(address)
    if (!known) {
      this.linkers.set(address, { count: 1, first: [place], isVisible })
      return
    }
    known.isVisible ||= isVisible
    known.count++
    if (known.first.length < NAMED) known.first.push(place)
  }

  /** Does a link name the address that visitors can take? */
  isVisible(address: string): boolean {
    return this.linkers.get(address)?.isVisible ?? false
  }

  /** Who links to an address. Copies, so that what is told does not change afterwards. */
  of(address: string): Linkers {
    const known = this.linkers.get(address)
    return known ? { count: known.count, first: [...known.first] } : { count: 0, first: [] }
  }
}
