import { type AddressMap, baseOf, pageAddress, pathnameOf } from '../address'
import type { GatheredPage, KeptLinks } from '../model'
import type { FileMap } from './build-files'
import type { CollectedSitemaps } from './collect-sitemaps'
import { isFileName } from './file-names'
import { LinkBook, linksOf } from './link-book'
import { LinksOfPages } from './links-of-pages'
import { settleRefreshes } from './refreshes'
import { SiteAudit } from './site-audit'

/** What links of a build lead to, and what only sends on. */
export class BuildSurvey {
  readonly surveyor: SiteAudit
  readonly book = new LinkBook()
  private readonly links: LinksOfPages
  private readonly refreshes = new Map<string, string>()
  private readonly targets = new Set<string>()

  constructor(
    private readonly addresses: AddressMap,
    private readonly map: FileMap,
  ) {
    this.surveyor = new SiteAudit(addresses)
    this.links = new LinksOfPages(addresses.toPublic)
  }

  /** The page that an address of the site means, under the address that its file has; else the address itself. */
  private known(address: string): string {
    const file = this.addresses.isOnSite(address) ? this.map.fileAt(address) : null
    return file === null ? address : this.map.addressOf(file)
  }

  /** Notes where a page's links lead. @returns false where the page only refreshes to another address */
  add(page: GatheredPage, said: KeptLinks | null): boolean {
    if (!said) return true
    const sendsTo = said.refreshTo && pageAddress(said.refreshTo, baseOf(page.url, page.facts?.base ?? null))
    const refreshTo = sendsTo && this.known(this.addresses.toPublic(sendsTo))
    if (refreshTo && refreshTo !== page.url) {
      this.refreshes.set(page.url, refreshTo)
      this.targets.add(refreshTo)
      return false
    }
    const { visible, stated } = linksOf(page, said, this.links)
    // Links go to a page under any of the names that serve its file.
    this.surveyor.addLinks(
      page,
      visible.map(({ address }) => ({ address: this.known(address) })),
    )
    for (const list of [visible, stated]) {
      for (const { address, line, column } of list) {
        const target = this.known(address)
        this.book.note(target, { page: page.url, line, column }, list === visible)
        this.targets.add(target)
      }
    }
    return true
  }

  addSitemaps(found: CollectedSitemaps, named: readonly string[]): void {
    this.surveyor.addSitemaps(found, named)
    for (const { page: address, sitemap } of found.pages) {
      const page = pageAddress(address, this.addresses.site)
      if (!page) continue
      const target = this.known(this.addresses.toPublic(page))
      this.book.note(target, { page: sitemap, line: 0, column: 0 }, false)
      this.targets.add(target)
    }
  }

  /** Addresses of the site that links name, that could be pages, and that the build lacks. */
  *missing(): Generator<string> {
    for (const address of this.targets) {
      if (!this.addresses.isOnSite(address) || isFileName(pathnameOf(address))) continue
      if (this.map.fileAt(address) === null) yield address
    }
  }

  /** Where pages that only refresh lead to, and those that do so in a circle. */
  settle() {
    return settleRefreshes(this.refreshes, new Map(), (address) => this.known(address))
  }
}
