import type { FetchFact, GatheredPage, RedirectHop } from '../model'
import { addTo } from '../text'
import type { CrawlEvent } from './events'
import { LinkBook } from './link-book'
import { type Lead, settleRefreshes } from './refreshes'

/** What is told at the end of a crawl: where its addresses lead. */
export type Settled = {
  /** Pages that refresh in a circle, which have no other page to be. */
  loops: GatheredPage[]
  events: CrawlEvent[]
  /** By page: addresses that lead to it, by HTTP redirects or by refreshes. */
  leads: ReadonlyMap<string, readonly Lead[]>
}

/** Where the addresses of a crawl lead: to a page, by redirects and refreshes to another, or to nothing. */
export class Destinations {
  /** Who links to each address. */
  readonly book = new LinkBook()
  /** Addresses that lead to each page by HTTP redirects, with the way. */
  private readonly redirects = new Map<string, Lead[]>()
  /** Pages that only refresh elsewhere, and where to. */
  private readonly refreshes = new Map<string, string>()
  /** Pages that could not be read. */
  private readonly dead = new Set<string>()

  addRedirect(address: string, chain: RedirectHop[], page: string): void {
    addTo(this.redirects, page, { address, chain })
  }

  addRefresh(page: string, to: string): void {
    this.refreshes.set(page, to)
  }

  isRefresh(page: string): boolean {
    return this.refreshes.has(page)
  }

  addDead(page: string): void {
    this.dead.add(page)
  }

  /** @param told addresses of the pages that were told of; those of loops are added to them */
  settle(told: ReadonlySet<string>, now: Date): Settled {
    const settled = settleRefreshes(this.refreshes, this.redirects, (address) => (told.has(address) ? address : null))
    const { leads } = settled
    for (const [url, own] of this.redirects) for (const lead of own) addTo(leads, url, lead)
    const loops = settled.loops.map((lead) => loopingPage(lead, now))
    for (const { url } of loops) this.dead.add(url)
    const pages = new Set([...told, ...loops.map(({ url }) => url)])
    const events: CrawlEvent[] = []
    for (const [url, own] of leads) {
      if (!pages.has(url)) continue
      for (const { address } of own) if (address !== url) events.push({ kind: 'alias', url, alias: address })
      const ledHereBy = own.map((lead) => ({ ...lead, linkers: this.book.of(lead.address) }))
      events.push({ kind: 'led-by', url, ledHereBy })
    }
    // Only these may be told apart by how they are linked: /name, where /name.html is there as well.
    const urls = [...pages].filter((url) => pages.has(`${url}.html`) && !this.book.isVisible(url))
    if (urls.length > 0) events.push({ kind: 'unlinked-forms', urls })
    for (const url of this.dead) events.push({ kind: 'linked-by', url, linkers: this.book.of(url) })
    return { loops, events, leads }
  }
}

/** A page that refreshes in a circle: there is nothing to be read at its end. */
export function loopingPage({ address, chain }: Lead, now: Date, file: string | null = null): GatheredPage {
  const fetch: FetchFact = {
    ...{ status: null, contentType: null, bytes: 0, ms: 0, robotsHeader: null, aliases: [] },
    finalUrl: address,
    redirects: chain,
    fetchedAt: now.toISOString(),
    error: `It refreshes in a loop: ${chain.at(-1)!.url} leads back to itself.`,
    errorCode: 'redirect-loop',
  }
  return { url: address, file, fetch, facts: null, source: [] }
}
