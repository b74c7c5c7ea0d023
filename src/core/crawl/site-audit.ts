import { type AddressMap, baseOf, pageAddress, parseUrl, resolveAddress } from '../address'
import type { GatheredPage, PageFacts, Survey } from '../model'
import type { CollectedSitemaps } from './collect-sitemaps'
import type { PageLink } from './link-book'

/** Feeds and neighbours in a series that are asked for at most: a site has a handful of the one, and reads the others. */
const MAX_ASKED = 60
const NEIGHBOUR = /^(?:prev|previous|next)$/
const FEED_TYPE = /^application\/(?:rss|atom)\+xml|^application\/feed\+json/i

/** An address and its twin with a slash at its end: a link to the one leads to the other. */
const withoutTrailingSlash = (url: string) => (url.endsWith('/') ? url.slice(0, -1) : url)

/** Links of a page to feeds, and to its neighbours in a series, with their public addresses. */
export function feedAndNeighbourLinks(
  page: Pick<GatheredPage, 'url'> & { facts: PageFacts },
  addresses: Pick<AddressMap, 'toPublic'>,
): { url: string; kind: 'feed' | 'neighbour'; line: number; column: number }[] {
  return page.facts.links.flatMap(({ rel, href, type, line, column }) => {
    const words = rel.split(' ')
    const isFeed = words.includes('alternate') && FEED_TYPE.test(type ?? '')
    if (!isFeed && !words.some((word) => NEIGHBOUR.test(word))) return []
    const url = resolveAddress(href, baseOf(page.url, page.facts.base))
    return url === null ? [] : [{ url: addresses.toPublic(url), kind: isFeed ? 'feed' : 'neighbour', line, column }]
  })
}

/** Takes notes beside the pages: who links to whom, which feeds there are, what sitemaps name. */
export class SiteAudit {
  private readonly linked = new Set<string>()
  private readonly beside = new Set<string>()
  private sitemaps: Survey['sitemaps'] = null
  private onStaging: string[] = []

  constructor(private readonly addresses: AddressMap) {}

  /** Notes where a page's links lead, as public addresses; those to itself don't count. */
  addLinks(page: GatheredPage, targets: readonly Pick<PageLink, 'address'>[]): void {
    const own = withoutTrailingSlash(page.url)
    for (const { address: target } of targets)
      if (withoutTrailingSlash(target) !== own) this.linked.add(withoutTrailingSlash(target))
    if (!page.facts) return
    for (const { url } of feedAndNeighbourLinks({ ...page, facts: page.facts }, this.addresses))
      if (this.addresses.isOnSite(url)) this.beside.add(url)
  }

  addSitemaps({ pages, failed, read }: CollectedSitemaps, named: readonly string[]): void {
    const { build, site } = this.addresses
    const isStaging = (address: string) =>
      build !== null && new URL(build).host !== new URL(site).host && parseUrl(address)?.host === new URL(build).host
    const written = [...named, ...pages.map(({ page }) => page)]
    this.onStaging = [...this.onStaging, ...written.filter(isStaging)].slice(0, 3)
    const urls = pages.flatMap(({ page: address }) => {
      const page = pageAddress(address, site)
      return page === null ? [] : [this.addresses.toPublic(page)]
    })
    const before = this.sitemaps ?? { read: [], failed: [], pages: [] }
    this.sitemaps = {
      read: [...before.read, ...read],
      failed: [...before.failed, ...failed.map(({ url, reason }) => ({ url, reason }))],
      pages: [...new Set([...before.pages, ...urls])],
    }
  }

  /** Feeds and neighbours that are no page of the run: whether they are there has to be asked. */
  toAsk(pages: ReadonlySet<string>): string[] {
    return [...this.beside].filter((url) => !pages.has(url)).slice(0, MAX_ASKED)
  }

  /**
   * @param pages every page of the run, by all of its addresses
   * @param isWhole false when pages were left out: then it is not known that nothing links to a page
   * @param dead addresses that were asked for and are not there
   */
  survey(pages: readonly { url: string; aliases: readonly string[] }[], isWhole: boolean, dead: string[]): Survey {
    const { site } = this.addresses
    const unlinked = pages
      .filter(
        ({ url, aliases }) =>
          url !== site && ![url, ...aliases].some((address) => this.linked.has(withoutTrailingSlash(address))),
      )
      .map(({ url }) => url)
    return { sitemaps: this.sitemaps, onStaging: this.onStaging, unlinked: isWhole ? unlinked : null, dead }
  }
}
