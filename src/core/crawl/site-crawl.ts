import {
  type AddressMap,
  baseOf,
  crawlDelayFor,
  createUrlFilter,
  idleGlobs,
  isAllowed,
  limits,
  pageAddress,
  pathnameOf,
  pathOf,
  type RobotsRules,
  resolveAddress,
} from '../address'
import type { GatheredImage, GatheredPage, Incomplete, RunNote, SecondLook, Survey } from '../model'
import { nearestWord, plural } from '../text'
import type { CrawlOptions, QueuedUrl } from './crawl-options'
import { Destinations, type Settled } from './destinations'
import { readIfChanged, SharedTexts, withLinks } from './earlier'
import type { CrawlEvent, CrawlEvents } from './events'
import { isFileName } from './file-names'
import { Frontier } from './frontier'
import { ImageQueue, type LookAtImage, lookAsHostsMay, lookByReading, readAsHostsMay } from './image-queue'
import { inParallel } from './in-parallel'
import { onlyWeAreKeptOut, ROBOTS_TOKEN } from './kept-out'
import { linksOf } from './link-book'
import { LinksOfPages } from './links-of-pages'
import { NoPages } from './no-pages'
import { type CrawlLack, incompletenessOf, notesOf } from './notes-of-crawl'
import { Pace } from './pace'
import { pageFromFetch, pageStreamFor } from './page-from-fetch'
import { PictureHosts } from './picture-hosts'
import type { KnownAnswers } from './probe-site'
import {
  type CrawlEnvironment,
  type FetchResult,
  type Followed,
  isRedirect,
  notInBuild,
  type ReadAddress,
  type ReadRequest,
  readFollowing,
} from './read-address'
import type { Lead } from './refreshes'
import { retrying } from './retrying'
import { ASKED, secondLooksAt } from './second-look'
import { ServerWatch } from './server-watch'
import { SignIns } from './sign-in'
import { SiteAudit } from './site-audit'
import { SitemapsOfCrawl } from './sitemaps-of-crawl'
import { type Trap, TrapWatch } from './traps'

type PageResult = { kind: 'page'; asked: QueuedUrl; followed: Followed; fetchedAt: string; looks: SecondLook[] }
type Result = PageResult | { kind: 'image'; image: GatheredImage } | { kind: 'knock'; isThere: boolean }

/** What is known before a crawl: the answer of its start page, and of others that were read to know the site. */
export type KnownOfCrawl = { start: { url: string; exchange: FetchResult } | null; answers: KnownAnswers }

/** The crawl of one site, breadth first. One object a run: it holds what is known, waiting and counted. */
export class SiteCrawl {
  private readonly waiting: Frontier
  private readonly seen = new Set<string>()
  private readonly told = new Set<string>()
  private readonly fetching = new Set<string>()
  private pageCount = 0
  private readonly keptOut = new Set<string>()
  private readonly desk: ImageQueue
  private readonly hosts: PictureHosts
  private readonly surveyor: SiteAudit
  private readonly destinations = new Destinations()
  private readonly noPages: NoPages
  private readonly sitemaps: SitemapsOfCrawl
  /** Pages that the user's globs want; the start page is read whatever they say. */
  private wantedCount = 0
  private readonly reader: ReadAddress
  private readonly links: LinksOfPages
  private readonly traps: TrapWatch
  private readonly isPathWanted: (url: string) => boolean
  private readonly trapped = new Map<Trap, { count: number; such: string }>()
  private newlyFound: QueuedUrl[] = []
  private asked = 0
  private leftOut = 0
  private bytes = 0
  private cutBy: CrawlLack['cutBy'] = null
  private readonly server = new ServerWatch<PageResult>()
  private readonly signIns = new SignIns()
  private isKnocking = false
  private readonly maxPages: number
  private readonly maxDepth: number
  private readonly endsAtMs: number
  private takesImageNext = false
  private readonly pace: Pace
  private readonly keeping: Parameters<typeof withLinks>[2]

  constructor(
    private readonly options: CrawlOptions,
    private readonly addresses: AddressMap,
    private readonly robots: RobotsRules | null,
    private readonly outside: CrawlEnvironment,
    private readonly known: KnownOfCrawl,
    private readonly isFollowing: boolean,
    defaultMaxPages: number = limits.maxPages,
  ) {
    this.maxPages = options.maxPages ?? defaultMaxPages
    this.maxDepth = options.maxDepth ?? limits.maxDepth
    this.noPages = new NoPages(addresses.site)
    this.waiting = new Frontier(options.perSection)
    this.hosts = new PictureHosts([addresses.site, addresses.build ?? ''], options.pictureHosts, outside.now)
    const read = readAsHostsMay(outside.read, this.hosts, outside.sleep)
    this.reader = retrying({ ...outside, read }, (exchange) => {
      if (exchange.kind === 'answered') this.bytes += exchange.page?.byteLength ?? exchange.body.length
    })
    this.keeping = { texts: new SharedTexts(), conceal: outside.conceal, keepsLinks: outside.keepsLinks }
    this.traps = new TrapWatch(outside.now())
    this.isPathWanted = createUrlFilter(options.include, options.exclude, addresses.site)
    const asked = (robots && !options.ignoreRobots && crawlDelayFor(robots, ROBOTS_TOKEN)) || 0
    this.pace = new Pace(Math.max(options.delayMs, Math.min(asked * 1000, limits.crawlDelayMs)), outside.now)
    this.endsAtMs = outside.now().getTime() + limits.runMs
    this.surveyor = new SiteAudit(addresses)
    this.links = new LinksOfPages((url) => addresses.toPublic(outside.conceal?.(url, 'page') ?? url))
    this.sitemaps = new SitemapsOfCrawl({
      ...{ addresses, outside, surveyor: this.surveyor, ask: (request) => this.ask(request), locate: this.locate },
      onPage: (url, sitemap) => {
        this.destinations.book.note(url, { page: sitemap, line: 0, column: 0 }, false)
        this.enqueue(url, 1)
      },
    })
    this.desk = new ImageQueue(addresses, this.lookAtImages(), this.hosts, outside.sleep, outside.keepsLinks === 'all')
  }

  private lookAtImages(): LookAtImage {
    const { outside, addresses } = this
    const read = lookByReading((request) => this.ask(request), outside)
    if (!outside.lookElsewhere) return read
    const elsewhere = lookAsHostsMay(outside.lookElsewhere, this.hosts, outside.sleep)
    return (url, mayDecode) =>
      (addresses.isOnSite(url) || addresses.isBesideSite(url) ? read : elsewhere)(url, mayDecode)
  }

  /** Asks the build for a public address, no faster than the delay allows. */
  private ask(request: ReadRequest): Promise<FetchResult> {
    const { addresses, reader } = this
    if (addresses.isBesideSite(request.url)) return Promise.resolve(notInBuild(request.url, addresses.site))
    const inBuild = { ...request, url: addresses.toBuild(request.url) }
    const waitMs = this.pace.waitMs()
    return waitMs > 0 ? this.outside.sleep(waitMs).then(() => reader(inBuild)) : reader(inBuild)
  }

  /** Does robots.txt let us ask for this, or are we told to pass it? */
  private mayAsk(url: string): boolean {
    return this.options.ignoreRobots || !this.robots || isAllowed(this.robots, ROBOTS_TOKEN, pathOf(url))
  }

  private isWanted(url: string, depth: number): boolean {
    const pathname = pathnameOf(url)
    if (!this.addresses.isOnSite(url) || isFileName(pathname)) return false
    if (depth > this.maxDepth) {
      this.leftOut++
      return false
    }
    if (depth > 0 && !this.isPathWanted(url)) return false
    if (depth > 0 && !this.mayAsk(url)) {
      this.keptOut.add(url)
      return false
    }
    return true
  }

  private enqueue(url: string, depth: number): void {
    if (this.seen.has(url) || !this.isWanted(url, depth)) return
    this.seen.add(url)
    const trap = this.traps.trapOf(url)
    if (trap) {
      const seen = this.trapped.get(trap) ?? { count: 0, such: url }
      this.trapped.set(trap, { ...seen, count: seen.count + 1 })
      return
    }
    this.wait({ url, depth })
  }

  private wait(waiting: QueuedUrl): void {
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
    if (resolved === null) return null
    return this.addresses.toPublic(this.outside.conceal?.(resolved, 'server') ?? resolved)
  }

  private readonly readAt = (url: string): Promise<FetchResult> => {
    if (this.known.start?.url === url) return Promise.resolve(this.known.start.exchange)
    const answer = this.known.answers.get(this.addresses.toBuild(url))
    if (answer) return Promise.resolve(answer)
    const request = { url, accept: 'page' as const, maxBytes: limits.pageBytes, openPage: pageStreamFor(url) }
    return readIfChanged(request, this.outside.earlier, (asked) => this.ask(asked))
  }

  private async readPage(asked: QueuedUrl): Promise<PageResult> {
    const followed = await readFollowing(asked.url, this.readAt, this.locate, this.addresses.isOnSite)
    const fetchedAt = this.outside.now().toISOString()
    const looks = await secondLooksAt(followed, this.options.askAs, (request) => this.ask(request), this.outside.now())
    return { kind: 'page', asked, followed, fetchedAt, looks }
  }

  private nextPage(): Promise<Result> | null {
    if (this.isRunFull()) return null
    // One that was not answered is asked once more when nothing else is left to ask for.
    const asked = this.asked < this.maxPages ? (this.waiting.take() ?? this.takeAgain()) : this.takeAgain()
    if (!asked) return null
    if (!this.server.isAgain(asked.url)) this.asked++
    this.fetching.add(asked.url)
    return this.readPage(asked)
  }

  private takeAgain(): QueuedUrl | undefined {
    return this.fetching.size > 0 ? undefined : this.server.takeAgain()
  }

  private async knock(): Promise<Result> {
    this.isKnocking = true
    const { addresses, outside } = this
    const ask = (url: string | null) =>
      outside.read({ url: addresses.toBuild(url ?? addresses.site), accept: 'page', maxBytes: 1 })
    return { kind: 'knock', isThere: await this.server.knock(ask, outside.sleep) }
  }

  /** Has the run read all that one run may? */
  private isRunFull(): boolean {
    if (this.bytes > limits.runBytes) this.cutBy = { why: 'bytes', words: `after ${Math.round(this.bytes / 1e6)} MB` }
    else if (this.outside.now().getTime() > this.endsAtMs)
      this.cutBy = { why: 'time', words: `after ${limits.runMs / 60_000} minutes` }
    return this.cutBy !== null
  }

  private nextImage(): Promise<Result> | null {
    return this.desk.next()?.then((image) => ({ kind: 'image' as const, image })) ?? null
  }

  /** Pages and pictures in turn, so that cards fill while the crawl goes on. */
  private readonly next = (): Promise<Result> | null => {
    if (this.outside.signal.aborted || this.server.isLost || this.isKnocking) return null
    if (this.server.isInDoubt) return this.fetching.size > 0 ? null : this.knock()
    this.takesImageNext = !this.takesImageNext
    return this.takesImageNext ? (this.nextImage() ?? this.nextPage()) : (this.nextPage() ?? this.nextImage())
  }

  private takePage(result: PageResult, told: CrawlEvent[]): void {
    const { asked, followed, fetchedAt, looks } = result
    this.fetching.delete(asked.url)
    const { exchange, finalUrl, redirects } = followed
    // Cut off by our own stop: no fault of the page's.
    if (exchange.kind === 'failed' && exchange.code === 'stopped') return
    if (this.server.keepsBack(result, this.addresses.isOnSite(finalUrl))) return
    if (redirects.length > 0) this.signIns.note(asked.url, redirects.at(-1)!.url)
    // A chain that leaves the site ends on somebody else's page.
    if (isRedirect(exchange)) {
      this.noPages.addRedirect(asked.url, redirects.at(-1)!.url)
      return
    }
    this.seen.add(finalUrl)
    const aliases = [asked.url, ...redirects.slice(0, -1).map(({ url }) => url)].filter((url) => url !== finalUrl)
    if (asked.url !== finalUrl) this.destinations.addRedirect(asked.url, redirects, finalUrl)
    if (this.told.has(finalUrl)) {
      for (const alias of aliases) told.push({ kind: 'alias', url: finalUrl, alias })
      return
    }
    if (this.destinations.isRefresh(finalUrl)) return
    const asPage = { url: finalUrl, file: null, redirects, aliases, fetchedAt }
    const found = pageFromFetch(asPage, exchange, this.outside.rows)
    if (!found) {
      if (exchange.kind === 'answered') this.noPages.addAnswer(finalUrl, exchange)
      return
    }
    const { reading } = found
    const whole = withLinks(found.page, reading, this.keeping)
    const page = looks.length > 0 ? { ...whole, secondLooks: looks } : whole
    const sendsTo = reading?.refreshTo
      ? pageAddress(reading.refreshTo, baseOf(finalUrl, page.facts?.base ?? null))
      : null
    const refreshTo = sendsTo && this.addresses.toPublic(sendsTo)
    if (refreshTo && refreshTo !== finalUrl) {
      this.destinations.addRefresh(finalUrl, refreshTo)
      if (!this.addresses.isOnSite(refreshTo)) this.noPages.addRedirect(finalUrl, refreshTo)
      // Sent on to by the page itself, which is no step further.
      this.enqueue(refreshTo, asked.depth)
      return
    }
    this.tell(page, asked.depth, told)
    if (!page.facts) this.destinations.addDead(finalUrl)
    // Links of an error page lead nowhere: it has no reading.
    if (!reading) return
    const { visible, stated } = linksOf(page, reading, this.links)
    this.surveyor.addLinks(page, visible)
    for (const list of [visible, stated]) {
      for (const { address, line, column } of list) {
        this.destinations.book.note(address, { page: finalUrl, line, column }, list === visible)
        if (this.isFollowing) this.enqueue(address, asked.depth + 1)
      }
    }
    if (this.isFollowing) this.sitemaps.nameBy(page)
  }

  private tell(page: GatheredPage, depth: number, told: CrawlEvent[]): void {
    this.told.add(page.url)
    this.pageCount++
    if (depth > 0 || this.isPathWanted(page.url)) this.wantedCount++
    this.desk.addDeclared(page)
    told.push({ kind: 'page', page })
  }

  /** What came of questions that were answered together. */
  private take(results: readonly Result[]): CrawlEvent[] {
    const told: CrawlEvent[] = []
    for (const result of results) {
      if (result.kind === 'page') this.takePage(result, told)
      else if (result.kind === 'knock') this.takeKnock(result.isThere)
      else if (result.image.errorCode !== 'stopped') told.push(result)
    }
    return [...this.found(), ...told, ...this.desk.slowed(), this.progress()]
  }

  private tellLeft(): CrawlEvent[] {
    const told: CrawlEvent[] = []
    for (const result of this.server.takeLeft()) this.takePage(result, told)
    return told
  }

  private takeKnock(isThere: boolean): void {
    this.isKnocking = false
    this.server.settle(isThere)
    if (!isThere) this.cutBy = { why: 'lost', words: `The server was lost after ${plural(this.pageCount, 'page')}` }
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
  private async survey(leads: ReadonlyMap<string, readonly Lead[]>): Promise<Survey> {
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
      !this.server.isLost &&
      this.leftOut === 0 &&
      this.keptOut.size === 0 &&
      !this.options.resume
    const pages = [...this.told].map((url) => ({ url, aliases: (leads.get(url) ?? []).map(({ address }) => address) }))
    return this.surveyor.survey(pages, isWhole && !this.outside.signal.aborted, dead)
  }

  /** Why pages are left that should have been read; a bound that was asked for is no reason. */
  private *incompleteness(): Generator<Incomplete> {
    yield* this.sitemaps.lack
    yield* this.desk.incompleteness()
    const signIns = this.signIns.words()
    if (signIns) yield { why: 'pages', message: `${signIns.message} Give the run a login.` }
    const { maxPages, maxDepth, perSection } = this.options
    const isAborted = this.outside.signal.aborted
    const isBounded = this.asked >= this.maxPages ? maxPages !== null : perSection !== null
    yield* incompletenessOf({
      left: this.waiting.size + this.server.size,
      pages: this.pageCount,
      isStopped: isAborted,
      cutBy: this.cutBy,
      boundReached: isBounded ? null : this.maxPages,
      tooDeep: maxDepth === null ? this.leftOut : 0,
      maxDepth: this.maxDepth,
      onlyWeKeptOut: onlyWeAreKeptOut(this.robots, this.keptOut),
      idle:
        this.wantedCount > 0 && !isAborted
          ? idleGlobs(this.options.include, [...this.told], this.addresses.site, nearestWord)
          : [],
      nothing: this.wantedCount > 0 || this.options.resume || isAborted ? null : this.nothingRead(),
    })
  }

  /** Nothing was asked for: globs left none of the addresses that a list gives. */
  private get isLeftEmpty(): boolean {
    return this.known.start === null && this.asked === 0
  }

  private nothingRead(): string {
    const { include, exclude } = this.options
    const globs = [...include.map((glob) => `--include ${glob}`), ...exclude.map((glob) => `--exclude ${glob}`)]
    if (globs.length > 0 && this.isLeftEmpty)
      return `${globs.join(' ')} leaves none of the addresses that were given. Globs see the path, as in /guides/**.`
    if (globs.length > 0 && this.pageCount > 0) {
      return `No page was read but the start page: ${globs.join(' ')} leaves nothing that a link or the sitemap leads to. Globs see the path, as in /guides/**.`
    }
    return this.noPages.words()
  }

  private notes(): Iterable<RunNote> {
    const { maxPages, perSection, maxDepth, ignoreRobots, hasLogin } = this.options
    const isByPages = this.asked >= this.maxPages
    const isBounded = this.cutBy === null && (isByPages ? maxPages !== null : perSection !== null)
    return notesOf({
      // What a run that was stopped, or reached a default bound, has left is said by itself.
      left: this.outside.signal.aborted || !isBounded ? 0 : this.waiting.size,
      boundedBy: isByPages ? `at ${maxPages} pages` : `at ${perSection} pages a section`,
      trapped: this.trapped,
      tooDeep: maxDepth === null ? 0 : this.leftOut,
      maxDepth: this.maxDepth,
      keptOut: this.keptOut,
      notPages: this.pageCount > 0 ? this.noPages.note() : null,
      passedRobots: ignoreRobots && this.robots !== null,
      passedLogin: hasLogin,
    })
  }

  private startPage(): GatheredPage | null {
    const { start } = this.known
    return (start && pageFromFetch({ ...ASKED, url: start.url }, start.exchange)?.page) ?? null
  }

  /** Where addresses led, and who links to what is not there. */
  private *settle(): Generator<CrawlEvent[], Settled['leads']> {
    const { loops, events, leads } = this.destinations.settle(this.told, this.outside.now())
    const told: CrawlEvent[] = []
    for (const page of loops) this.tell(page, 0, told)
    yield [...told, ...events]
    return leads
  }

  async *run(seeds: QueuedUrl[], readsSitemaps: boolean): CrawlEvents {
    for (const url of this.options.resume?.done ?? []) {
      this.seen.add(url)
      this.told.add(url)
    }
    for (const { url } of seeds) this.hosts.add(url)
    for (const seed of this.options.resume?.waiting ?? seeds) {
      if (this.seen.has(seed.url)) continue
      this.seen.add(seed.url)
      this.wait(seed)
    }
    yield this.found()
    // What was read before the run was stopped is not lost.
    const [first] = seeds
    if (this.outside.signal.aborted && this.known.start && first) yield this.take([await this.readPage(first)])
    if (readsSitemaps && !this.options.resume) {
      await this.sitemaps.readFirst(this.robots, this.startPage())
      yield this.found()
    }
    const { concurrency } = this.options
    for (const round of ['declared', 'content'] as const) {
      if (round === 'content') this.desk.addContentWhereNeeded()
      for await (const results of inParallel(this.next, concurrency, this.outside.yieldToOthers))
        yield this.take(results)
      // Pages may name sitemaps of their own, and these further pages.
      while (this.sitemaps.hasUnread) {
        if (this.outside.signal.aborted) break
        await this.sitemaps.readNamed()
        yield this.found()
        for await (const results of inParallel(this.next, concurrency, this.outside.yieldToOthers))
          yield this.take(results)
      }
    }
    yield this.tellLeft()
    const leads = yield* this.settle()
    if (this.server.isLost) yield this.desk.markLost().map((image) => ({ kind: 'image', image }))
    const signIns = this.signIns.words()
    yield [...this.desk.notes(), ...(signIns ? [signIns] : []), ...this.notes()].map((note) => ({ kind: 'note', note }))
    yield [{ kind: 'survey', survey: await this.survey(leads) }]
    yield [...this.incompleteness()].map((incomplete) => ({ kind: 'incomplete', incomplete }))
    yield [
      {
        kind: 'finished',
        finishedAt: this.outside.now().toISOString(),
        stopped: this.outside.signal.aborted || this.server.isLost,
      },
    ]
  }
}
