import {
  crawlDelayFor,
  createPathFilter,
  isAllowed,
  isPrivateHost,
  limits,
  originOf,
  pageAddress,
  pathnameOf,
  pathOf,
  type RobotsRules,
} from '../address'
import { collectSitemaps } from './collect-sitemaps'
import type { CrawlOptions } from './crawl-options'
import { readIfChanged } from './earlier'
import { isFileName } from './file-names'
import { formsOfPath, type InferredSite, inferSite, type PageSigns, signsOf } from './infer-site'
import { ROBOTS_TOKEN } from './kept-out'
import { pageFromFetch } from './page-from-fetch'
import { type CrawlEnvironment, type FetchResult, readFollowing } from './read-address'
import { USUAL_SITEMAPS } from './usual-sitemaps'

/** Pages that are read of a server before its crawl, to find out where the site will live; they are not asked for again. */
const PROBES = 6
/**
 * Time for each of them in milliseconds: nothing of the run is shown before. A development server that has to build a page
 * first is mostly done by then. The first that takes longer ends the search: what is known by then is gone by.
 */
const PROBE_MS = 8000
/** Paths that are looked up on a server for it at most. */
const MOST_ASKED = 6

/** Answers that a crawl has already, by the URL that was asked. */
export type KnownAnswers = Map<string, FetchResult>

/** Reads the first few pages of a server, so that it can be said where the site lives before any page is told of. */
export class SiteProbe {
  readonly answers: KnownAnswers = new Map()
  private readonly signs: PageSigns[] = []
  private readonly isWanted: (path: string) => boolean
  private readonly delayMs: number
  /** One took too long: others are not asked for. */
  private isOver = false

  constructor(
    private readonly options: CrawlOptions,
    private readonly robots: RobotsRules | null,
    private readonly outside: CrawlEnvironment,
  ) {
    this.isWanted = createPathFilter(options.include, options.exclude)
    const asked = (robots && !options.ignoreRobots && crawlDelayFor(robots, ROBOTS_TOKEN)) || 0
    this.delayMs = Math.max(options.delayMs, Math.min(asked * 1000, limits.crawlDelayMs))
  }

  private readonly read = async (url: string): Promise<FetchResult> => {
    const answer = this.answers.get(url)
    if (answer) return answer
    if (this.delayMs > 0) await this.outside.sleep(this.delayMs)
    const { earlier } = this.outside
    const known = earlier && { ...earlier, page: earlier.pageAt ?? (() => null) }
    const request = { url, accept: 'page' as const, maxBytes: limits.pageBytes, timeoutMs: PROBE_MS }
    const exchange = await readIfChanged(request, known, this.outside.read)
    if (exchange.kind === 'failed' && exchange.code === 'timeout') this.isOver = true
    // What another try may mend is asked again by the crawl.
    if (exchange.kind === 'answered' && exchange.status < 400) this.answers.set(url, exchange)
    return exchange
  }

  /** Reads one page and notes what it says. @returns URLs of its own host that it links to */
  private async look(url: string): Promise<string[]> {
    const { exchange, finalUrl } = await readFollowing(url, this.read)
    if (originOf(finalUrl) !== originOf(url)) return []
    const asked = { url: finalUrl, file: null, redirects: [], aliases: [], fetchedAt: '' }
    const found = pageFromFetch(asked, exchange)
    if (!found?.page.facts || !found.reading) return []
    const { hrefs } = found.reading
    this.signs.push(signsOf(formsOfPath(pathnameOf(finalUrl)), found.page.facts, hrefs, finalUrl))
    return hrefs.flatMap((href) => {
      const to = href.startsWith('#') ? null : pageAddress(href, finalUrl)
      return to && originOf(to) === originOf(finalUrl) && to !== finalUrl ? [to] : []
    })
  }

  private isAsked(url: string): boolean {
    const isOpen = this.options.ignoreRobots || !this.robots || isAllowed(this.robots, ROBOTS_TOKEN, pathOf(url))
    return isOpen && !isFileName(pathnameOf(url)) && this.isWanted(pathnameOf(url))
  }

  /**
   * Where the site of a server lives.
   *
   * @param first pages to begin from: the start page, or the first addresses of a list
   * @param known the answer to the first of them, where it is there already
   * @param sitemap entries of the sitemap that the run is of; null: it is looked for where it is wanted
   */
  async infer(
    first: readonly string[],
    known: FetchResult | null,
    sitemap: readonly string[] | null = null,
  ): Promise<InferredSite> {
    const [start] = first as [string]
    if (known?.kind === 'answered' && known.status < 400) this.answers.set(start, known)
    const most = Math.min(PROBES, this.options.maxPages ?? PROBES)
    const tried = new Set<string>([start])
    // One page of each first folder, then others: what all have in common shows sooner.
    const others = (await this.look(start)).filter((url) => this.isAsked(url))
    const folderOf = (url: string) => pathnameOf(url).split('/').slice(0, 3).join('/')
    const spread = [...new Map(others.map((url) => [folderOf(url), url] as const)).values()]
    for (const url of [...first.slice(1), ...spread, ...others]) {
      if (this.outside.signal.aborted || this.isOver || tried.size >= most) break
      if (tried.has(url) || originOf(url) !== originOf(start)) continue
      tried.add(url)
      await this.look(url)
    }
    const origin = originOf(start)
    const isPrivate = isPrivateHost(new URL(start).hostname)
    return inferSite(this.signs, {
      sitemap: async () => sitemap ?? (isPrivate && this.signs.length > 0 ? await this.sitemapAt(start) : []),
      exists: (path) => this.isThere(origin + encodeURI(path)),
      mostAsked: isPrivate ? MOST_ASKED : 0,
      startedAt: start,
      unnamedAs: this.options.unnamedAs ?? null,
    })
  }

  /** Entries of the sitemap that robots.txt names, else of one with a usual name beside the start page. */
  private async sitemapAt(start: string): Promise<string[]> {
    const named = this.robots?.sitemaps.filter((url) => originOf(url) === originOf(start)) ?? []
    const usual = USUAL_SITEMAPS.map((name) => new URL(name, start).href)
    for (const url of named.length > 0 ? named.slice(0, 1) : usual) {
      const { pages } = await collectSitemaps([url], this.outside.read, this.outside)
      if (pages.length > 0) return pages.map(({ page }) => page)
    }
    return []
  }

  /** Does the server have something there? A page in place of a style sheet or an image is what it answers for anything. */
  private async isThere(url: string): Promise<boolean> {
    if (this.isOver) return false
    const { exchange } = await readFollowing(url, (at) =>
      this.outside.read({ url: at, accept: 'text', maxBytes: 1024, firstBytesOnly: true, timeoutMs: PROBE_MS }),
    )
    if (exchange.kind === 'failed' && exchange.code === 'timeout') this.isOver = true
    if (exchange.kind === 'failed' || exchange.status >= 400) return false
    const isPage = /html/i.test(exchange.headers['content-type'] ?? '')
    return !(isPage && isFileName(pathnameOf(url)))
  }
}
