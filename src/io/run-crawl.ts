import { resolveAddress } from '@/core/crawl/address'
import { collectSitemaps, lackOfSitemaps } from '@/core/crawl/collect-sitemaps'
import { crawl, crawlGiven, onPreview } from '@/core/crawl/crawl'
import { defaultCrawlOptions } from '@/core/crawl/crawl-options'
import type { CrawlEvents } from '@/core/crawl/events'
import { limits } from '@/core/crawl/limits'
import { NothingAnswered } from '@/core/crawl/nothing-answered'
import type { Outside, ReadAddress } from '@/core/crawl/read-address'
import type { ParsedCrawlRequest } from '@/core/crawl/wire'
import { createFetcher } from './fetch-address'
import { hostAndPort, type InnerHosts } from './guard'
import { loginHeaders } from './login-headers'
import { innerHostsNamed } from './named-hosts'
import { nodeOutside } from './outside'

/** What the command line can set beside what the interface asks for. */
export type CrawlTuning = {
  guessSite: boolean
  maxDepth?: number
  concurrency?: number
  delayMs?: number
  timeoutMs?: number
  askAs?: string | null
  pictures?: 'whole' | 'header'
  /** Inner hosts that may be asked; by default those that the request's own addresses name. */
  innerHosts?: InnerHosts
  /** Asked before each address: why no more may be asked, which ends the run with what it has. Absent: any number. */
  refusalToAsk?: () => Promise<string | null>
}

/** Addresses that the person named, in whatever way. */
export function namedAddresses(from: ParsedCrawlRequest['from']): string[] {
  const raw = from.kind === 'url' ? [from.start] : from.kind === 'list' ? from.addresses : [from.address]
  return raw.flatMap((address) => resolveAddress(address, 'about:blank') ?? [])
}

async function* events(request: ParsedCrawlRequest, tuning: CrawlTuning, outside: Outside): CrawlEvents {
  const { from, site, maxPages, ignoreRobots, include, exclude, perSection, login, resume, pictureHosts } = request
  const options = {
    ...defaultCrawlOptions,
    ...{ site, maxPages, ignoreRobots, include, exclude, perSection, resume, pictureHosts },
    guessSite: tuning.guessSite,
    maxDepth: tuning.maxDepth ?? null,
    concurrency: tuning.concurrency ?? limits.concurrency,
    delayMs: tuning.delayMs ?? 0,
    askAs: tuning.askAs ?? null,
    hasLogin: login !== null,
    start: '',
  }
  if (from.kind === 'url') return yield* crawl({ ...options, start: from.start }, outside)
  if (from.kind === 'list') {
    const { addresses, follow, name = `${addresses.length} addresses` } = from
    const given = { kind: 'list' as const, location: name, addresses, follow, servedFrom: null }
    yield* crawlGiven(given, options, outside)
    if (from.isCut) {
      const message = `${name} goes on: only its first ${addresses.length} addresses were read.`
      yield [{ kind: 'incomplete', incomplete: { why: 'pages', message } }]
    }
    return
  }
  // A sitemap index on a preview server names its parts on production: they are read where the index is.
  const readHere: ReadAddress = (request) => outside.read({ ...request, url: onPreview(request.url, from.address) })
  const found = await collectSitemaps([from.address], readHere, outside)
  const { pages, failed } = found
  if (pages.length === 0) throw new NothingAnswered(from.address, failed[0]?.reason ?? 'the sitemap names no page.')
  yield* crawlGiven(
    {
      kind: 'sitemap',
      location: from.address,
      addresses: pages.map(({ page }) => page),
      follow: from.follow,
      servedFrom: from.address,
    },
    options,
    outside,
  )
  yield lackOfSitemaps(found, !from.follow).map((incomplete) => ({ kind: 'incomplete', incomplete }))
}

/** Asks only as long as it is let; the first refusal ends the run. */
function askingAsLet(read: ReadAddress, refusalToAsk: () => Promise<string | null>, stop: AbortController) {
  let refusal: string | null = null
  const asking: ReadAddress = async (request) => {
    refusal ??= await refusalToAsk()
    if (refusal === null) return read(request)
    stop.abort()
    return { kind: 'failed', code: 'stopped', message: refusal, ms: 0 }
  }
  return { asking, refusal: () => refusal }
}

/** A crawl over the network, as Node runs it: with its own connections, under the guards. */
export async function* runCrawl(request: ParsedCrawlRequest, tuning: CrawlTuning, signal: AbortSignal): CrawlEvents {
  const named = namedAddresses(request.from)
  const first = named[0]
  const ended = new AbortController()
  const stop = () => ended.abort()
  if (signal.aborted) stop()
  signal.addEventListener('abort', stop, { once: true })
  const fetcher = createFetcher({
    innerHosts: tuning.innerHosts ?? (await innerHostsNamed(named)),
    concurrency: tuning.concurrency ?? limits.concurrency,
    timeoutMs: tuning.timeoutMs ?? limits.timeoutMs,
    signal: ended.signal,
    login: request.login && first ? { host: hostAndPort(first), headers: loginHeaders(request.login) } : null,
    askAs: tuning.askAs ?? null,
    pastCaches: request.pastCaches,
  })
  try {
    const { asking, refusal } = askingAsLet(fetcher.read, tuning.refusalToAsk ?? (async () => null), ended)
    yield* events(request, tuning, nodeOutside(asking, ended.signal, tuning.pictures))
    const message = refusal()
    if (message !== null) yield [{ kind: 'incomplete', incomplete: { why: 'bytes', message } }]
  } finally {
    signal.removeEventListener('abort', stop)
    await fetcher.close()
  }
}
