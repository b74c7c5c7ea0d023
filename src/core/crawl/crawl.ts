import {
  type AddressMap,
  createAddressMap,
  createUrlFilter,
  isPrivateHost,
  limits,
  pathOf,
  resolveAddress,
  shownAddress,
} from '../address'
import type { CrawlOptions, GivenAddresses } from './crawl-options'
import type { CrawlEvents } from './events'
import { type InferredSite, siteNote, sourceOfSite } from './infer-site'
import { NothingAnswered } from './nothing-answered'
import { SiteProbe } from './probe-site'
import type { CrawlEnvironment } from './read-address'
import { readRobots } from './read-robots'
import { scopeOf } from './scope'
import { SiteCrawl } from './site-crawl'

/**
 * Crawls a running site and tells what it finds as it comes, what came together in one batch.
 *
 * Same site only, breadth first, `concurrency` requests at a time; pictures are read once each. An error on one page
 * is that page's, the run goes on. Aborting the signal ends the run with what was gathered.
 *
 * @throws NothingAnswered when the start address does not answer at all
 */
export async function* crawl(options: CrawlOptions, outside: CrawlEnvironment): CrawlEvents {
  const given = resolveAddress(options.start, 'about:blank')
  const start = given && (outside.conceal?.(given, 'user') ?? given)
  if (!start) throw new NothingAnswered(options.start, 'it is not an http or https address.')
  const startedAt = outside.now().toISOString()
  const first = await outside.read({ url: start, accept: 'page', maxBytes: limits.pageBytes })
  if (first.kind === 'failed') throw new NothingAnswered(start, first.message)
  const robots = await readRobots(start, outside)
  const probe = new SiteProbe(options, robots.rules, outside)
  const inferred = options.site === null ? await probe.infer([start], first) : null
  const addresses = addressesOf(options.site, inferred, start)
  const source = { kind: 'url' as const, location: start, ...placeOf(addresses, inferred) }
  yield [{ kind: 'started', source, view: viewOf(options), startedAt, robotsTxt: robots.text, scope: scopeOf(options) }]
  if (robots.note) yield [{ kind: 'note', note: robots.note }]
  if (inferred) yield [{ kind: 'note', note: siteNote(inferred) }]
  const startUrl = addresses.toPublic(start)
  const known = { start: { url: startUrl, exchange: first }, answers: probe.answers }
  const run = new SiteCrawl(options, addresses, robots.rules, outside, known, true)
  yield* run.run([{ url: startUrl, depth: 0 }], true)
}

/** Of a list, pages that are looked at to find out where the site lives. */
const PROBED_OF_LIST = 6

/** Is this a server that only its own network reaches? */
export const isPreview = (address: string) => isPrivateHost(new URL(address).hostname)

/** Where the pages of a list or a sitemap are read: at their own addresses, or on the server that has the sitemap. */
function buildOf({ servedFrom }: GivenAddresses, first: string, site: string | null): string {
  return servedFrom !== null && (site !== null || isPreview(servedFrom)) ? servedFrom : first
}

/** The same path on a preview server, for an address that its sitemap names on production. */
export function onPreview(address: string, servedFrom: string): string {
  if (!isPreview(servedFrom)) return address
  const { pathname, search } = new URL(address)
  return new URL(pathname + search, servedFrom).href
}

/** What a run's source says of the two sides that its addresses are mapped between. */
const placeOf = ({ site, build }: AddressMap, inferred: InferredSite | null) => ({
  ...(inferred ? sourceOfSite(inferred) : { site }),
  ...(build === null || build === site ? {} : { servedAt: build }),
})

/** The map between where the pages are served and where their site lives: as it was said, else as it was inferred. */
function addressesOf(site: string | null, inferred: InferredSite | null, start: string): AddressMap {
  if (inferred === null) return createAddressMap(site!, start)
  const served = new URL(encodeURI(inferred.servedPath), start).href
  return createAddressMap(inferred.site, start, served)
}

/** What is said of a list that goes on beyond the URLs that are read. */
export const cutListSaid = (name: string, read: number) =>
  `${name} goes on: only its first ${read === 1 ? 'URL was' : `${read} URLs were`} read.`

const viewOf = ({ ignoreRobots, hasLogin }: CrawlOptions) => (ignoreRobots || hasLogin ? 'launched' : 'standing')

/**
 * Reads the addresses of a list or a sitemap, and nothing beyond them unless `follow` says so.
 *
 * @param options `start` is not used: the first address stands for it
 * @throws NothingAnswered when the list has no address
 */
export async function* crawlGiven(
  given: GivenAddresses,
  options: CrawlOptions,
  outside: CrawlEnvironment,
): CrawlEvents {
  const conceal = (address: string) => outside.conceal?.(address, given.kind === 'list' ? 'user' : 'page') ?? address
  const read = given.addresses.flatMap((address) => resolveAddress(address, 'about:blank') ?? [])
  const resolved = [...new Set(read.map(conceal))]
  const first = resolved[0]
  if (!first) throw new NothingAnswered(given.location, 'there is no http or https address in it.')
  const startedAt = outside.now().toISOString()
  const servedFirst = buildOf(given, first, options.site)
  const robots = await readRobots(new URL(pathOf(first), servedFirst).href, outside)
  const probe = new SiteProbe(options, robots.rules, outside)
  const served = given.servedFrom === null ? resolved : resolved.map((address) => onPreview(address, servedFirst))
  const entries = given.kind === 'sitemap' ? given.addresses : []
  const inferred = options.site === null ? await probe.infer(served.slice(0, PROBED_OF_LIST), null, entries) : null
  const addresses = addressesOf(options.site, inferred, servedFirst)
  const source = { kind: given.kind, location: shownAddress(given.location), ...placeOf(addresses, inferred) }
  yield [{ kind: 'started', source, view: viewOf(options), startedAt, robotsTxt: robots.text, scope: scopeOf(options) }]
  if (robots.note) yield [{ kind: 'note', note: robots.note }]
  if (inferred) yield [{ kind: 'note', note: siteNote(inferred) }]
  const skipped = given.addresses.length - resolved.length
  if (skipped > 0) {
    const message = `${skipped} lines were repeated or held no http address.`
    yield [{ kind: 'note', note: { kind: 'bounded', message } }]
  }
  const most = limits.maxPagesOfBuild
  const known = { start: null, answers: probe.answers }
  const run = new SiteCrawl(options, addresses, robots.rules, outside, known, given.follow, most)
  const isWanted = createUrlFilter(options.include, options.exclude, addresses.site)
  // A sitemap may name a host that is not the site's, and stand on the server that has the pages.
  const publicOf = (address: string, index: number) => {
    const own = addresses.toPublic(address)
    return addresses.isOnSite(own) ? own : addresses.toPublic(served[index]!)
  }
  const seeds = [...new Set(resolved.map(publicOf))].filter(isWanted)
  yield* run.run(
    seeds.map((url) => ({ url, depth: 0 })),
    given.follow,
  )
}
