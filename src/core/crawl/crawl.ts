import { addTo } from '../group-by'
import type { GatheredImage, RunNote, SecondLook, Survey } from '../model'
import { baseOf, isPrivateHost, pageAddress, pathnameOf, pathOf, resolveAddress } from './address'
import { type AddressMap, createAddressMap, mostNamedOrigin } from './address-map'
import { collectSitemaps } from './collect-sitemaps'
import type { CrawlOptions, GivenAddresses } from './crawl-options'
import type { CrawlEvent, CrawlEvents } from './events'
import { Frontier, type Waiting } from './frontier'
import { createPathFilter, type PathFilter } from './globs'
import { inParallel } from './in-parallel'
import { limits } from './limits'
import { LinksOfPages } from './links-of-pages'
import { notesOf } from './notes-of-crawl'
import { NothingAnswered } from './nothing-answered'
import { pageOf, pageStreamFor } from './page-of'
import { lookByReading, offlineNote, PictureDesk } from './picture-desk'
import {
  type Exchange,
  type Followed,
  isRedirect,
  notInBuild,
  type Outside,
  type ReadAddress,
  type ReadRequest,
  readFollowing,
} from './read-address'
import { readRobots } from './read-robots'
import { retrying } from './retrying'
import { crawlDelayFor, isAllowed, type RobotsRules } from './robots'
import { isFromCache, lookTwice } from './second-look'
import { Surveyor } from './survey'
import { type Trap, TrapWatch } from './traps'

/** The name that robots.txt may address us by. */
export const ROBOTS_TOKEN = 'NimbleParrot'

/** Names that are never pages: not worth a request. */
const FILE_NAME =
  /\.(?:pdf|zip|gz|tgz|tar|7z|rar|dmg|exe|jpe?g|png|gif|webp|avif|svg|ico|bmp|tiff?|mp[34]|m4[av]|mov|webm|ogg|wav|css|m?js|json|xml|txt|csv|ics|woff2?|ttf|otf|docx?|xlsx?|pptx?|epub)$/i

type PageResult = { kind: 'page'; asked: Waiting; followed: Followed; fetchedAt: string; looks: SecondLook[] }
type Result = PageResult | { kind: 'image'; image: GatheredImage }

/** The crawl of one site, breadth first. One object a run: it holds what is known, waiting and counted. */
class Crawl {
  private readonly waiting: Frontier
  private readonly known = new Set<string>()
  private readonly told = new Set<string>()
  private readonly fetching = new Set<string>()
  private pageCount = 0
  private readonly keptOut = new Set<string>()
  private readonly desk: PictureDesk
  private readonly surveyor: Surveyor
  /** Every page by its final address, with the addresses that lead to it. */
  private readonly leadingTo = new Map<string, string[]>()
  private readonly reader: ReadAddress
  private readonly links: LinksOfPages
  private readonly traps: TrapWatch
  private readonly isPathWanted: PathFilter
  private readonly trapped = new Map<Trap, { count: number; such: string }>()
  private newlyFound: Waiting[] = []
  private asked = 0
  private leftOut = 0
  private bytes = 0
  private cutBy: string | null = null
  private readonly endsAtMs: number
  private takesImageNext = false
  private lastStart = 0

  constructor(
    private readonly options: CrawlOptions,
    private readonly addresses: AddressMap,
    private readonly robots: RobotsRules | null,
    private readonly outside: Outside,
    private readonly firstAnswer: { url: string; exchange: Exchange } | null,
    private readonly isFollowing: boolean,
  ) {
    this.waiting = new Frontier(options.perSection)
    this.reader = retrying(outside, (exchange) => {
      if (exchange.kind === 'answered') this.bytes += exchange.page?.byteLength ?? exchange.body.length
    })
    this.traps = new TrapWatch(outside.now())
    this.isPathWanted = createPathFilter(options.include, options.exclude)
    this.endsAtMs = outside.now().getTime() + limits.runMs
    this.surveyor = new Surveyor(addresses)
    this.links = new LinksOfPages(addresses.toPublic)
    this.desk = new PictureDesk(
      addresses,
      lookByReading((request) => this.ask(request), outside),
    )
  }

  /** Asks the build for a public address, no faster than the delay allows. */
  private ask(request: ReadRequest): Promise<Exchange> {
    const { addresses, reader } = this
    if (addresses.isBesideSite(request.url)) return Promise.resolve(notInBuild(request.url, addresses.site))
    const inBuild = { ...request, url: addresses.toBuild(request.url) }
    const startMs = this.startMs()
    return startMs > 0 ? this.outside.sleep(startMs).then(() => reader(inBuild)) : reader(inBuild)
  }

  /** How long to wait before the next question, in ms, so that questions start no faster than the delay allows. */
  private startMs(): number {
    const asked = (this.robots && !this.options.ignoreRobots && crawlDelayFor(this.robots, ROBOTS_TOKEN)) || 0
    const delayMs = Math.max(this.options.delayMs, Math.min(asked * 1000, limits.crawlDelayMs))
    if (delayMs === 0) return 0
    const now = this.outside.now().getTime()
    const startAt = Math.max(now, this.lastStart + delayMs)
    this.lastStart = startAt
    return startAt - now
  }

  /** Does robots.txt let us ask for this, or are we told to pass it? */
  private mayAsk(url: string): boolean {
    return this.options.ignoreRobots || !this.robots || isAllowed(this.robots, ROBOTS_TOKEN, pathOf(url))
  }

  private isWanted(url: string, depth: number): boolean {
    const pathname = pathnameOf(url)
    if (!this.addresses.isOnSite(url) || FILE_NAME.test(pathname)) return false
    if (depth > this.options.maxDepth) {
      this.leftOut++
      return false
    }
    if (depth > 0 && !this.isPathWanted(pathname)) return false
    if (depth > 0 && !this.mayAsk(url)) {
      this.keptOut.add(url)
      return false
    }
    return true
  }

  private enqueue(url: string, depth: number): void {
    if (this.known.has(url) || !this.isWanted(url, depth)) return
    this.known.add(url)
    const trap = this.traps.trapOf(url)
    if (trap) {
      const seen = this.trapped.get(trap) ?? { count: 0, such: url }
      this.trapped.set(trap, { ...seen, count: seen.count + 1 })
      return
    }
    this.wait({ url, depth })
  }

  private wait(waiting: Waiting): void {
    this.waiting.add(waiting)
    this.newlyFound.push(waiting)
  }

  /** Addresses found since it was asked last: told before the pages that they were found on, so that none is lost. */
  private found(): CrawlEvent[] {
    if (this.newlyFound.length === 0) return []
    const waiting = this.newlyFound
    this.newlyFound = []
    return [{ kind: 'found', waiting }]
  }

  private readonly locate = (location: string, from: string): string | null => {
    const base = this.addresses.toBuild(from)
    const resolved = resolveAddress(location, base)
    return resolved === null ? null : this.addresses.toPublic(resolved)
  }

  private readonly readAt = (url: string): Promise<Exchange> => {
    if (this.firstAnswer?.url === url) return Promise.resolve(this.firstAnswer.exchange)
    return this.ask({ url, accept: 'page', maxBytes: limits.pageBytes, openPage: pageStreamFor(url) })
  }

  private async readPage(asked: Waiting): Promise<PageResult> {
    const followed = await readFollowing(asked.url, this.readAt, this.locate, this.addresses.isOnSite)
    const fetchedAt = this.outside.now().toISOString()
    const looks = this.isLookedAtTwice(followed) ? await this.lookAgain(followed) : []
    return { kind: 'page', asked, followed, fetchedAt, looks }
  }

  private isLookedAtTwice({ exchange }: Followed): boolean {
    if (exchange.kind === 'failed' || isRedirect(exchange)) return false
    return this.options.askAs !== null || isFromCache(exchange)
  }

  /** A second question, where a cache has shown its hand, or the run asks under another name than ours. */
  private async lookAgain({ exchange, finalUrl }: Followed): Promise<SecondLook[]> {
    const { askAs } = this.options
    const asked = { url: finalUrl, file: null, redirects: [], aliases: [], fetchedAt: '' }
    const found = pageOf(asked, exchange)
    if (!found) return []
    const look = (how: SecondLook['how']) =>
      lookTwice(finalUrl, found.page.facts, how, askAs, (request) => this.ask(request), this.outside.now())
    return [
      ...(isFromCache(exchange) ? [await look('past-caches')] : []),
      ...(askAs === null ? [] : [await look('as-ourselves')]),
    ]
  }

  private nextPage(): Promise<Result> | null {
    if (this.asked >= this.options.maxPages || this.isRunFull()) return null
    const asked = this.waiting.take()
    if (!asked) return null
    this.asked++
    this.fetching.add(asked.url)
    return this.readPage(asked)
  }

  /** Has the run read all that one run may? */
  private isRunFull(): boolean {
    if (this.bytes > limits.runBytes) this.cutBy = `after ${Math.round(this.bytes / 1e6)} MB`
    else if (this.outside.now().getTime() > this.endsAtMs) this.cutBy = `after ${limits.runMs / 60_000} minutes`
    return this.cutBy !== null
  }

  private nextImage(): Promise<Result> | null {
    return this.desk.next()?.then((image) => ({ kind: 'image' as const, image })) ?? null
  }

  /** Pages and pictures in turn, so that cards fill while the crawl goes on. */
  private readonly next = (): Promise<Result> | null => {
    if (this.outside.signal.aborted) return null
    this.takesImageNext = !this.takesImageNext
    return this.takesImageNext ? (this.nextImage() ?? this.nextPage()) : (this.nextPage() ?? this.nextImage())
  }

  private takePage({ asked, followed, fetchedAt, looks }: PageResult, told: CrawlEvent[]): void {
    this.fetching.delete(asked.url)
    const { exchange, finalUrl, redirects } = followed
    // Cut off by our own stop: no fault of the page's.
    if (exchange.kind === 'failed' && exchange.code === 'stopped') return
    // A chain that leaves the site ends on somebody else's page.
    if (isRedirect(exchange)) return
    this.known.add(finalUrl)
    const aliases = [asked.url, ...redirects.slice(0, -1).map(({ url }) => url)].filter((url) => url !== finalUrl)
    if (this.told.has(finalUrl)) {
      for (const alias of aliases) addTo(this.leadingTo, finalUrl, alias)
      for (const alias of aliases) told.push({ kind: 'alias', url: finalUrl, alias })
      return
    }
    const found = pageOf({ url: finalUrl, file: null, redirects, aliases, fetchedAt }, exchange)
    if (!found) return
    const page = looks.length > 0 ? { ...found.page, secondLooks: looks } : found.page
    const { reading } = found
    const sendsTo = reading?.refreshTo
      ? pageAddress(reading.refreshTo, baseOf(finalUrl, page.facts?.base ?? null))
      : null
    if (sendsTo && this.addresses.toPublic(sendsTo) !== finalUrl) {
      this.enqueue(this.addresses.toPublic(sendsTo), asked.depth + 1)
      return
    }
    this.told.add(finalUrl)
    this.leadingTo.set(finalUrl, aliases)
    this.pageCount++
    this.desk.addDeclared(page)
    // Links of an error page lead nowhere: it has no reading.
    const targets = reading ? this.links.resolve(reading.hrefs, baseOf(finalUrl, page.facts?.base ?? null)) : []
    this.surveyor.addLinks(page, targets)
    if (this.isFollowing) for (const target of targets) this.enqueue(target, asked.depth + 1)
    told.push({ kind: 'page', page })
  }

  /** What came of questions that were answered together. */
  private take(results: readonly Result[]): CrawlEvent[] {
    const told: CrawlEvent[] = []
    for (const result of results) {
      if (result.kind === 'page') this.takePage(result, told)
      else if (result.image.errorCode !== 'stopped') told.push(result)
    }
    return [...this.found(), ...told, this.progress()]
  }

  private progress(): CrawlEvent {
    return {
      kind: 'progress',
      done: this.pageCount,
      waiting: this.waiting.size,
      fetching: [...this.fetching],
    }
  }

  /** What was noted beside the pages. Feeds, and neighbours that no link led to, are asked for now. */
  private async survey(): Promise<Survey> {
    const dead: string[] = []
    for (const url of this.surveyor.toAsk(this.told)) {
      if (this.outside.signal.aborted) break
      if (!this.mayAsk(url)) continue
      const { exchange } = await readFollowing(url, (at) => this.ask({ url: at, accept: 'text', maxBytes: 1024 }))
      if (exchange.kind === 'answered' && exchange.status >= 400) dead.push(url)
    }
    const isWhole =
      this.isFollowing &&
      this.waiting.size === 0 &&
      this.leftOut === 0 &&
      this.keptOut.size === 0 &&
      !this.options.resume
    const pages = [...this.leadingTo].map(([url, aliases]) => ({ url, aliases }))
    return this.surveyor.survey(pages, isWhole && !this.outside.signal.aborted, dead)
  }

  private notes(): Iterable<RunNote> {
    const { maxPages, perSection, maxDepth, ignoreRobots, hasLogin } = this.options
    const isBySection = perSection !== null && this.asked < maxPages
    return notesOf({
      // What a run that was stopped has left is said by itself.
      left: this.outside.signal.aborted ? 0 : this.waiting.size,
      boundedBy: this.cutBy ?? (isBySection ? `at ${perSection} pages a section` : `at ${maxPages} pages`),
      trapped: this.trapped,
      tooDeep: this.leftOut,
      maxDepth,
      keptOut: this.keptOut,
      passedRobots: ignoreRobots && this.robots !== null,
      passedLogin: hasLogin,
    })
  }

  /** Pages that the site's own sitemaps name: they may be linked from nowhere. */
  private async readSitemaps(): Promise<void> {
    const named = (this.robots?.sitemaps ?? []).map((address) => this.locate(address, this.addresses.site))
    const first = named.length > 0 ? named : [new URL('sitemap.xml', this.addresses.site).href]
    const onSite = first.filter((address): address is string => address !== null && this.addresses.isOnSite(address))
    const found = await collectSitemaps(onSite, (request) => this.ask(request), this.outside)
    this.surveyor.addSitemaps(found, this.robots?.sitemaps ?? [])
    for (const address of found.pages) {
      const page = pageAddress(address, this.addresses.site)
      if (page) this.enqueue(this.addresses.toPublic(page), 1)
    }
  }

  async *run(seeds: Waiting[], readsSitemaps: boolean): CrawlEvents {
    for (const url of this.options.resume?.done ?? []) {
      this.known.add(url)
      this.told.add(url)
    }
    for (const seed of this.options.resume?.waiting ?? seeds) {
      if (this.known.has(seed.url)) continue
      this.known.add(seed.url)
      this.wait(seed)
    }
    yield this.found()
    if (readsSitemaps && !this.options.resume) {
      await this.readSitemaps()
      yield this.found()
    }
    const { concurrency } = this.options
    for (const round of ['declared', 'content'] as const) {
      if (round === 'content') this.desk.addContentWhereNeeded()
      for await (const results of inParallel(this.next, concurrency, this.outside.turn)) yield this.take(results)
    }
    const offline = this.desk.markOffline()
    yield offline.map((image) => ({ kind: 'image', image }))
    if (offline.length > 0) yield [{ kind: 'note', note: offlineNote(offline.length) }]
    yield [...this.notes()].map((note) => ({ kind: 'note', note }))
    yield [{ kind: 'survey', survey: await this.survey() }]
    const stopped = this.outside.signal.aborted
    if (stopped) {
      const message = `Stopped at ${this.pageCount} of about ${this.pageCount + this.waiting.size} pages.`
      yield [{ kind: 'note', note: { kind: 'stopped', message } }]
    }
    yield [{ kind: 'finished', finishedAt: this.outside.now().toISOString(), stopped }]
  }
}

/** Production origin that the start page itself names; null when it names none but where it is. */
function guessSite(start: string, exchange: Exchange): string | null {
  const found = pageOf({ url: start, file: null, redirects: [], aliases: [], fetchedAt: '' }, exchange)
  const facts = found?.page.facts
  if (!facts) return null
  const ogUrls = facts.metas.filter((meta) => meta.key === 'og:url').map((meta) => meta.value ?? '')
  const guess = mostNamedOrigin([facts.canonical ?? '', ...ogUrls])
  return guess && !isPrivateHost(new URL(guess).hostname) ? guess : null
}

/**
 * Crawls a running site and tells what it finds as it comes, what came together in one batch.
 *
 * Same site only, breadth first, `concurrency` requests at a time; pictures are read once each. An error on one page
 * is that page's, the run goes on. Aborting the signal ends the run with what was gathered.
 *
 * @throws NothingAnswered when the start address does not answer at all
 */
export async function* crawl(options: CrawlOptions, outside: Outside): CrawlEvents {
  const start = resolveAddress(options.start, 'about:blank')
  if (!start) throw new NothingAnswered(options.start, 'it is not an http or https address.')
  const startedAt = outside.now().toISOString()
  const first = await outside.read({ url: start, accept: 'page', maxBytes: limits.pageBytes })
  if (first.kind === 'failed') throw new NothingAnswered(start, first.message)
  const mayGuess = options.site === null && options.guessSite && isPrivateHost(new URL(start).hostname)
  const guessed = mayGuess ? guessSite(start, first) : null
  const site = options.site ?? guessed ?? new URL(start).origin
  const addresses = createAddressMap(site, start)
  const robots = await readRobots(start, outside)
  const source = { kind: 'url' as const, location: start, ...placeOf(addresses) }
  yield [{ kind: 'started', source, view: viewOf(options), startedAt, robotsTxt: robots.text }]
  if (robots.note) yield [{ kind: 'note', note: robots.note }]
  if (guessed) {
    const message = `Production address taken from the start page’s own tags: ${guessed}.`
    yield [{ kind: 'note', note: { kind: 'site-guessed', message } }]
  }
  const startUrl = addresses.toPublic(start)
  const run = new Crawl(options, addresses, robots.rules, outside, { url: startUrl, exchange: first }, true)
  yield* run.run([{ url: startUrl, depth: 0 }], true)
}

/** Is this a server that only its own network reaches? */
const isPreview = (address: string) => isPrivateHost(new URL(address).hostname)

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
const placeOf = ({ site, build }: AddressMap) =>
  build === null || build === site ? { site } : { site, servedAt: build }

const viewOf = ({ ignoreRobots, hasLogin }: CrawlOptions) => (ignoreRobots || hasLogin ? 'launched' : 'standing')

/**
 * Reads the addresses of a list or a sitemap, and nothing beyond them unless `follow` says so.
 *
 * @param options `start` is not used: the first address stands for it
 * @throws NothingAnswered when the list has no address
 */
export async function* crawlGiven(given: GivenAddresses, options: CrawlOptions, outside: Outside): CrawlEvents {
  const resolved = [...new Set(given.addresses.flatMap((address) => resolveAddress(address, 'about:blank') ?? []))]
  const first = resolved[0]
  if (!first) throw new NothingAnswered(given.location, 'there is no http or https address in it.')
  const startedAt = outside.now().toISOString()
  const addresses = createAddressMap(options.site ?? new URL(first).origin, buildOf(given, first, options.site))
  const robots = await readRobots(addresses.toBuild(first), outside)
  const source = { kind: given.kind, location: given.location, ...placeOf(addresses) }
  yield [{ kind: 'started', source, view: viewOf(options), startedAt, robotsTxt: robots.text }]
  if (robots.note) yield [{ kind: 'note', note: robots.note }]
  const skipped = given.addresses.length - resolved.length
  if (skipped > 0) {
    const message = `${skipped} lines were repeated or held no http address.`
    yield [{ kind: 'note', note: { kind: 'bounded', message } }]
  }
  const run = new Crawl(options, addresses, robots.rules, outside, null, given.follow)
  yield* run.run(
    resolved.map((address) => ({ url: addresses.toPublic(address), depth: 0 })),
    false,
  )
}
