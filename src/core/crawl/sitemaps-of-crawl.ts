import { type AddressMap, pageAddress, type RobotsRules } from '../address'
import type { GatheredPage, Incomplete } from '../model'
import { collectSitemaps, lackOfSitemaps } from './collect-sitemaps'
import { sitemapsNamedBy } from './link-book'
import type { CrawlEnvironment, ReadAddress } from './read-address'
import type { SiteAudit } from './site-audit'
import { USUAL_SITEMAPS } from './usual-sitemaps'

/** What a crawl's sitemaps need of it. */
type Crawl = {
  addresses: AddressMap
  outside: CrawlEnvironment
  surveyor: SiteAudit
  ask: ReadAddress
  /** An address as robots.txt writes it, made public; null where it makes no sense. */
  locate: (location: string, from: string) => string | null
  /** Told of each page that a sitemap names, by its public address. */
  onPage: (url: string, sitemap: string) => void
}

/** The sitemaps of a crawl, each read once: those that robots.txt names, and those that pages do as they come. */
export class SitemapsOfCrawl {
  private readonly asked = new Set<string>()
  private readonly named = new Set<string>()
  /** Why addresses of them may be missing. */
  readonly lack: Incomplete[] = []

  constructor(private readonly crawl: Crawl) {}

  /** Notes the sitemaps that a page names. */
  nameBy(page: GatheredPage): void {
    for (const address of sitemapsNamedBy(page)) this.named.add(this.crawl.addresses.toPublic(address))
  }

  /** Have pages named sitemaps that were not read yet? */
  get hasUnread(): boolean {
    return [...this.named].some((address) => !this.asked.has(address))
  }

  /** Reads those that pages named since. */
  async readNamed(): Promise<void> {
    await this.read(this.named, [])
    for (const address of this.named) this.asked.add(address)
  }

  /** Reads the sitemaps that robots.txt or the start page names, else those under the usual names. */
  async readFirst(robots: RobotsRules | null, start: GatheredPage | null): Promise<void> {
    const { addresses, locate } = this.crawl
    const { site } = addresses
    const written = robots?.sitemaps ?? []
    const named = [
      ...written.flatMap((address) => locate(address, site) ?? []),
      ...(start ? sitemapsNamedBy(start).map((address) => addresses.toPublic(address)) : []),
    ]
    const isUsual = named.length === 0
    await this.read(isUsual ? USUAL_SITEMAPS.map((name) => new URL(name, site).href) : named, written, isUsual)
  }

  /** Pages that sitemaps name: they may be linked from nowhere. */
  private async read(given: Iterable<string>, named: readonly string[], isUsual = false): Promise<void> {
    const { addresses, outside, surveyor, ask, onPage } = this.crawl
    const onSite = [...given].filter((address) => addresses.isOnSite(address) && !this.asked.has(address))
    for (const address of onSite) this.asked.add(address)
    const found = await collectSitemaps(onSite, ask, outside)
    this.lack.push(...lackOfSitemaps(found))
    // Usual names that were only tried need not be there.
    surveyor.addSitemaps(
      isUsual ? { ...found, failed: found.failed.filter(({ status }) => status !== 404) } : found,
      named,
    )
    for (const { page: address, sitemap } of found.pages) {
      const page = pageAddress(address, addresses.site)
      if (page) onPage(addresses.toPublic(page), sitemap)
    }
  }
}
