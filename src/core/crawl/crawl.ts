import type { GatheredImage, GatheredPage, RunNote } from '../model'
import { baseOf, isPrivateHost, pageAddress, pathOf, resolveAddress } from './address'
import { type AddressMap, createAddressMap, mostNamedOrigin } from './address-map'
import type { CrawlEvent } from './events'
import { inParallel } from './in-parallel'
import { limits } from './limits'
import { NothingAnswered } from './nothing-answered'
import { pageOf } from './page-of'
import { offlineNote, PictureDesk } from './picture-desk'
import {
  type Exchange,
  type Followed,
  isRedirect,
  notInBuild,
  type Outside,
  type ReadRequest,
  readFollowing,
} from './read-address'
import { crawlDelayFor, isAllowed, parseRobots, type RobotsRules } from './robots'

/** The name that robots.txt may address us by. */
export const ROBOTS_TOKEN = 'NimbleParrot'

export type CrawlOptions = {
  /** Address to start from: the build's home page, mostly. */
  start: string
  /** Production address of the pages; null: that of `start`, or a guess. */
  site: string | null
  /** Without `site`: take the origin that the start page's canonical or og:url names, when `start` is a private host. */
  guessSite: boolean
  maxPages: number
  maxDepth: number
  concurrency: number
  delayMs: number
  ignoreRobots: boolean
}

export const defaultCrawlOptions: Omit<CrawlOptions, 'start'> = {
  site: null,
  guessSite: false,
  maxPages: limits.maxPages,
  maxDepth: limits.maxDepth,
  concurrency: limits.concurrency,
  delayMs: 0,
  ignoreRobots: false,
}

/** Names that are never pages: not worth a request. */
const FILE_NAME =
  /\.(?:pdf|zip|gz|tgz|tar|7z|rar|dmg|exe|jpe?g|png|gif|webp|avif|svg|ico|bmp|tiff?|mp[34]|m4[av]|mov|webm|ogg|wav|css|m?js|json|xml|txt|csv|ics|woff2?|ttf|otf|docx?|xlsx?|pptx?|epub)$/i

type Waiting = { url: string; depth: number }
type PageResult = { asked: Waiting; followed: Followed; fetchedAt: string }
type Result = { kind: 'page'; result: PageResult } | { kind: 'image'; image: GatheredImage }

/** The crawl of one site, breadth first. One object a run: it holds what is known, waiting and counted. */
class Crawl {
  private readonly waiting: Waiting[] = []
  private readonly known = new Set<string>()
  private readonly told = new Set<string>()
  private readonly fetching = new Set<string>()
  private readonly pages: GatheredPage[] = []
  private readonly keptOut = new Set<string>()
  private readonly desk: PictureDesk
  private asked = 0
  private leftOut = 0
  private takesImageNext = false
  private lastStart = 0

  constructor(
    private readonly options: CrawlOptions,
    private readonly addresses: AddressMap,
    private readonly robots: RobotsRules | null,
    private readonly outside: Outside,
    private readonly firstAnswer: { url: string; exchange: Exchange } | null,
  ) {
    this.desk = new PictureDesk(addresses, (request) => this.ask(request), outside)
  }

  /** Asks the build for a public address, no faster than the delay allows. */
  private async ask(request: ReadRequest): Promise<Exchange> {
    if (this.addresses.isBesideSite(request.url)) return notInBuild(request.url, this.addresses.site)
    await this.pace()
    return this.outside.read({ ...request, url: this.addresses.toBuild(request.url) })
  }

  private async pace(): Promise<void> {
    const asked = (this.robots && !this.options.ignoreRobots && crawlDelayFor(this.robots, ROBOTS_TOKEN)) || 0
    const delayMs = Math.max(this.options.delayMs, Math.min(asked * 1000, limits.crawlDelayMs))
    if (delayMs === 0) return
    const now = this.outside.now().getTime()
    const startAt = Math.max(now, this.lastStart + delayMs)
    this.lastStart = startAt
    if (startAt > now) await this.outside.sleep(startAt - now)
  }

  private isWanted(url: string, depth: number): boolean {
    if (!this.addresses.isOnSite(url) || FILE_NAME.test(new URL(url).pathname)) return false
    if (depth > this.options.maxDepth) {
      this.leftOut++
      return false
    }
    if (depth > 0 && !this.options.ignoreRobots && this.robots && !isAllowed(this.robots, ROBOTS_TOKEN, pathOf(url))) {
      this.keptOut.add(url)
      return false
    }
    return true
  }

  private enqueue(url: string, depth: number): void {
    if (this.known.has(url) || !this.isWanted(url, depth)) return
    this.known.add(url)
    this.waiting.push({ url, depth })
  }

  private locate(location: string, from: string): string | null {
    const base = this.addresses.toBuild(from)
    const resolved = resolveAddress(location, base)
    return resolved === null ? null : this.addresses.toPublic(resolved)
  }

  private async readPage(asked: Waiting): Promise<PageResult> {
    const read = (url: string): Promise<Exchange> => {
      if (this.firstAnswer?.url === url) return Promise.resolve(this.firstAnswer.exchange)
      return this.ask({ url, accept: 'page', maxBytes: limits.pageBytes })
    }
    const followed = await readFollowing(
      asked.url,
      read,
      (to, from) => this.locate(to, from),
      (url) => this.addresses.isOnSite(url),
    )
    return { asked, followed, fetchedAt: this.outside.now().toISOString() }
  }

  private nextPage(): Promise<Result> | null {
    if (this.asked >= this.options.maxPages) return null
    const asked = this.waiting.shift()
    if (!asked) return null
    this.asked++
    this.fetching.add(asked.url)
    return this.readPage(asked).then((result) => ({ kind: 'page', result }))
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

  private *takePage({ asked, followed, fetchedAt }: PageResult): Generator<CrawlEvent> {
    this.fetching.delete(asked.url)
    const { exchange, finalUrl, redirects } = followed
    // Cut off by our own stop: no fault of the page's.
    if (exchange.kind === 'failed' && exchange.code === 'stopped') return
    // A chain that leaves the site ends on somebody else's page.
    if (isRedirect(exchange)) return
    this.known.add(finalUrl)
    const aliases = [asked.url, ...redirects.slice(0, -1).map(({ url }) => url)].filter((url) => url !== finalUrl)
    if (this.told.has(finalUrl)) {
      for (const alias of aliases) yield { kind: 'alias', url: finalUrl, alias }
      return
    }
    const found = pageOf({ url: finalUrl, file: null, redirects, aliases, fetchedAt }, exchange)
    if (!found) return
    const { page, reading } = found
    const sendsTo = reading?.refreshTo
      ? pageAddress(reading.refreshTo, baseOf(finalUrl, page.facts?.base ?? null))
      : null
    if (sendsTo && this.addresses.toPublic(sendsTo) !== finalUrl) {
      this.enqueue(this.addresses.toPublic(sendsTo), asked.depth + 1)
      return
    }
    this.told.add(finalUrl)
    this.pages.push(page)
    this.desk.addDeclared(page)
    const base = baseOf(finalUrl, page.facts?.base ?? null)
    for (const href of reading?.hrefs ?? []) {
      const address = pageAddress(href, base)
      if (address) this.enqueue(this.addresses.toPublic(address), asked.depth + 1)
    }
    yield { kind: 'page', page }
  }

  private progress(): CrawlEvent {
    return { kind: 'progress', done: this.pages.length, waiting: this.waiting.length, fetching: [...this.fetching] }
  }

  private *notes(): Generator<RunNote> {
    const { maxPages, maxDepth } = this.options
    if (this.waiting.length > 0 && !this.outside.signal.aborted) {
      yield {
        kind: 'bounded',
        message: `Stopped at ${maxPages} pages; ${this.waiting.length} more addresses were found and not asked for.`,
      }
    }
    if (this.leftOut > 0)
      yield { kind: 'bounded', message: `${this.leftOut} links lie deeper than ${maxDepth} steps from the start.` }
    if (this.keptOut.size > 0) {
      yield {
        kind: 'bounded',
        message: `robots.txt keeps our crawler out of ${this.keptOut.size} addresses, such as ${[...this.keptOut][0]}.`,
      }
    }
    if (this.options.ignoreRobots && this.robots) {
      yield { kind: 'robots-passed', message: 'robots.txt was passed over as asked: cards are shown as launched.' }
    }
  }

  async *run(startUrl: string): AsyncGenerator<CrawlEvent> {
    this.known.add(startUrl)
    this.waiting.push({ url: startUrl, depth: 0 })
    const { concurrency } = this.options
    for (const round of ['declared', 'content'] as const) {
      if (round === 'content') this.desk.addContentWhereNeeded(this.pages)
      for await (const result of inParallel(this.next, concurrency)) {
        if (result.kind === 'page') yield* this.takePage(result.result)
        else if (result.image.errorCode !== 'stopped') yield { kind: 'image', image: result.image }
        yield this.progress()
      }
    }
    const offline = this.desk.markOffline()
    for (const image of offline) yield { kind: 'image', image }
    if (offline.length > 0) {
      yield { kind: 'note', note: offlineNote(offline.length) }
    }
    for (const note of this.notes()) yield { kind: 'note', note }
    const stopped = this.outside.signal.aborted
    if (stopped) {
      const message = `Stopped at ${this.pages.length} of about ${this.pages.length + this.waiting.length} pages.`
      yield { kind: 'note', note: { kind: 'stopped', message } }
    }
    yield { kind: 'finished', finishedAt: this.outside.now().toISOString(), stopped }
  }
}

type Robots = { text: string | null; rules: RobotsRules | null; note: RunNote | null }

/** robots.txt of the build's origin: 4xx means no rules; an error of the server keeps everything closed (RFC 9309). */
async function readRobots(start: string, outside: Outside): Promise<Robots> {
  const url = new URL('/robots.txt', start).href
  const { exchange } = await readFollowing(url, (at) =>
    outside.read({ url: at, accept: 'text', maxBytes: limits.robotsBytes }),
  )
  if (exchange.kind === 'answered' && exchange.status < 300) {
    const text = new TextDecoder('utf-8').decode(exchange.body)
    return { text, rules: parseRobots(text), note: null }
  }
  if (exchange.kind === 'answered' && exchange.status < 500) return { text: null, rules: null, note: null }
  const what = exchange.kind === 'answered' ? `answered ${exchange.status}` : `could not be read (${exchange.message})`
  const message = `${url} ${what}: crawlers then ask for nothing, and so do we beyond the start page. Ignore robots.txt to look anyway.`
  return {
    text: 'User-agent: *\nDisallow: /',
    rules: parseRobots('User-agent: *\nDisallow: /'),
    note: { kind: 'robots-unknown', message },
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
 * Crawls a running site and tells what it finds as it comes.
 *
 * Same site only, breadth first, `concurrency` requests at a time; pictures are read once each. An error on one page
 * is that page's, the run goes on. Aborting the signal ends the run with what was gathered.
 *
 * @throws NothingAnswered when the start address does not answer at all
 */
export async function* crawl(options: CrawlOptions, outside: Outside): AsyncGenerator<CrawlEvent> {
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
  const view = options.ignoreRobots ? 'launched' : 'standing'
  const source = { kind: 'url' as const, location: start, site: addresses.site }
  yield { kind: 'started', source, view, startedAt, robotsTxt: robots.text }
  if (robots.note) yield { kind: 'note', note: robots.note }
  if (guessed) {
    const message = `Production address taken from the start page’s own tags: ${guessed}.`
    yield { kind: 'note', note: { kind: 'site-guessed', message } }
  }
  const startUrl = addresses.toPublic(start)
  const run = new Crawl(options, addresses, robots.rules, outside, { url: startUrl, exchange: first })
  yield* run.run(startUrl)
}
