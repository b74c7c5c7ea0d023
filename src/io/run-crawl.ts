import {
  type AddressOrigin,
  AddressSecrets,
  limits,
  loginInAddress,
  resolveAddress,
  shownAddress,
  withoutValues,
} from '@/core/address'
import {
  type CrawlEnvironment,
  type CrawlEvents,
  collectSitemaps,
  crawl,
  crawlGiven,
  cutListSaid,
  defaultCrawlOptions,
  haveOneOwner,
  isInShard,
  isPreview,
  type Login,
  lackOfSitemaps,
  NothingAnswered,
  onPreview,
  type ParsedCrawlRequest,
  type ReadAddress,
  type Shard,
} from '@/core/crawl'
import { nodeEnvironment, type RunMemory } from './crawl-environment'
import { createFetcher } from './fetch-address'
import type { InnerHosts } from './guard'
import { loginHeaders } from './login-headers'
import { innerHostsNamed } from './named-hosts'

/** What the command line can set beside what the interface asks for. */
export type CrawlTuning = {
  /** Tells a site that names no production URL from others; absent: they share one. */
  unnamedAs?: string
  maxDepth?: number
  concurrency?: number
  delayMs?: number
  timeoutMs?: number
  askAs?: string | null
  pictures?: 'whole' | 'header'
  /** What an earlier run read, and whether this one keeps its links for a later one. */
  memory?: RunMemory
  /** Only this part of a list's or a sitemap's addresses. */
  shard?: Shard | null
  /** Inner hosts that may be asked; by default those that the request's own addresses name. */
  innerHosts?: InnerHosts
  /** Takes the place of asking, for URLs of a site whose build is at hand. */
  readThrough?: (read: ReadAddress) => ReadAddress
  /** Where a login goes; absent: to the first address that the request names. */
  loginAt?: string | null
  /** Asked before each address: why no more may be asked, which ends the run with what it has. Absent: any number. */
  refusalToAsk?: () => Promise<string | null>
}

const givenAddresses = (from: ParsedCrawlRequest['from']): string[] =>
  from.kind === 'url' ? [from.start] : from.kind === 'list' ? from.addresses : [from.address]

/** The login that the first address has in front of its host; null where it has none. */
function loginIn(from: ParsedCrawlRequest['from']): Login | null {
  const found = loginInAddress(givenAddresses(from)[0] ?? '')
  return found && { ...found, headers: [] }
}

/** What lets a run in: what was given beside the address, and the name and password in it where none were. */
function loginOf({ login, from }: ParsedCrawlRequest): Login | null {
  const inAddress = loginIn(from)
  const isGiven = login?.user != null || login?.headers.some(({ name }) => name.toLowerCase() === 'authorization')
  if (!login || !inAddress || isGiven) return login ?? inAddress
  return { ...login, user: inAddress.user, password: inAddress.password }
}

/** Addresses that the person named, in whatever way. */
export function namedAddresses(from: ParsedCrawlRequest['from']): string[] {
  return givenAddresses(from).flatMap((address) => resolveAddress(address, 'about:blank') ?? [])
}

const ofShard = (addresses: string[], shard: Shard | null | undefined) =>
  shard ? addresses.filter((_, position) => isInShard(shard, position)) : addresses

async function* events(request: ParsedCrawlRequest, tuning: CrawlTuning, outside: CrawlEnvironment): CrawlEvents {
  const { from, maxPages, ignoreRobots, include, exclude, perSection, resume, pictureHosts } = request
  const options = {
    ...defaultCrawlOptions,
    // Of the production address only what may be shown is ever of use.
    site: request.site && resolveAddress(request.site, 'about:blank'),
    ...{ maxPages, ignoreRobots, include, exclude, perSection, resume, pictureHosts },
    unnamedAs: tuning.unnamedAs ?? null,
    maxDepth: tuning.maxDepth ?? null,
    concurrency: tuning.concurrency ?? limits.concurrency,
    delayMs: tuning.delayMs ?? 0,
    askAs: tuning.askAs ?? null,
    hasLogin: loginOf(request) !== null,
    start: '',
  }
  if (from.kind === 'url') return yield* crawl({ ...options, start: from.start }, outside)
  if (from.kind === 'list') {
    const { addresses, follow, name = `${addresses.length} addresses` } = from
    const own = ofShard(addresses, tuning.shard)
    const given = { kind: 'list' as const, location: name, addresses: own, follow, servedFrom: null }
    yield* crawlGiven(given, options, outside)
    if (from.isCut)
      yield [{ kind: 'incomplete', incomplete: { why: 'pages', message: cutListSaid(name, addresses.length) } }]
    return
  }
  const given = resolveAddress(from.address, 'about:blank') ?? from.address
  const address = outside.conceal?.(given, 'user') ?? given
  // A sitemap index on a preview server names its parts on production: they are read where the index is.
  const readHere: ReadAddress = (request) => outside.read({ ...request, url: onPreview(request.url, address) })
  const found = await collectSitemaps([address], readHere, outside)
  const { pages, failed } = found
  if (pages.length === 0) throw new NothingAnswered(address, failed[0]?.reason ?? 'the sitemap names no page.')
  // A sitemap speaks for its own site (sitemaps.org), or before launch for the one that its pages are of.
  const speaksFor = [address, ...(options.site ? [options.site] : []), ...(isPreview(address) ? [pages[0]!.page] : [])]
  const own = pages.filter(({ page }) => speaksFor.some((site) => haveOneOwner(page, site)))
  if (own.length === 0)
    throw new NothingAnswered(
      address,
      `the sitemap names pages of other sites alone, such as ${pages[0]!.page}. Give their address as the production address if they are yours.`,
    )
  yield* crawlGiven(
    {
      kind: 'sitemap',
      location: shownAddress(address),
      addresses: ofShard(
        own.map(({ page }) => page),
        tuning.shard,
      ),
      follow: from.follow,
      servedFrom: address,
    },
    options,
    outside,
  )
  if (own.length < pages.length) {
    const message = `${pages.length - own.length} addresses of the sitemap are of other sites, and were left out.`
    yield [{ kind: 'note', note: { kind: 'bounded', message } }]
  }
  yield lackOfSitemaps(found, !from.follow).map((incomplete) => ({ kind: 'incomplete', incomplete }))
}

/** Asks only as long as it is let; the first refusal ends the run. */
function askingAsLet(read: ReadAddress, refusalToAsk: CrawlTuning['refusalToAsk'], stop: AbortController) {
  if (!refusalToAsk) return { asking: read, refusal: () => null }
  let refusal: string | null = null
  const asking: ReadAddress = async (request) => {
    refusal ??= await refusalToAsk()
    if (refusal === null) return read(request)
    stop.abort()
    return { kind: 'failed', code: 'stopped', message: refusal, ms: 0 }
  }
  return { asking, refusal: () => refusal }
}

/** What is secret in a header's value: all of it, and what follows its scheme (`Bearer …`). */
const secretsOfHeader = (value: string): string[] => [value, value.split(' ').slice(1).join(' ')]

/** A crawl over the network, as Node runs it: with its own connections, under the guards. */
export async function* runCrawl(request: ParsedCrawlRequest, tuning: CrawlTuning, signal: AbortSignal): CrawlEvents {
  const named = namedAddresses(request.from)
  const loginAt = tuning.loginAt === undefined ? named[0] : tuning.loginAt
  const login = loginOf(request)
  const ended = new AbortController()
  const stop = () => ended.abort()
  if (signal.aborted) stop()
  signal.addEventListener('abort', stop, { once: true })
  const fetcher = createFetcher({
    innerHosts: tuning.innerHosts ?? (await innerHostsNamed(named)),
    concurrency: tuning.concurrency ?? limits.concurrency,
    timeoutMs: tuning.timeoutMs ?? limits.timeoutMs,
    signal: ended.signal,
    login: login && loginAt ? { origin: new URL(loginAt).origin, headers: loginHeaders(login) } : null,
    askAs: tuning.askAs ?? null,
    pastCaches: request.pastCaches,
  })
  try {
    const { asking, refusal } = askingAsLet(
      tuning.readThrough?.(fetcher.read) ?? fetcher.read,
      tuning.refusalToAsk,
      ended,
    )
    const secrets = new AddressSecrets()
    const revealed: ReadAddress = (asked) => asking({ ...asked, url: secrets.reveal(asked.url) })
    const outside = {
      ...nodeEnvironment(revealed, ended.signal, tuning.pictures, tuning.memory),
      conceal: (address: string, from: AddressOrigin) => secrets.take(address, from),
    }
    const sent = login ? Object.values(loginHeaders(login)) : []
    const hushed = [login?.password ?? '', ...sent.flatMap(secretsOfHeader)]
    let known = -1
    let scrub = withoutValues([], hushed)
    for await (const batch of events(request, tuning, outside)) {
      const parameters = secrets.known()
      if (parameters.length !== known) scrub = withoutValues(parameters, hushed)
      known = parameters.length
      yield scrub(batch)
    }
    const message = refusal()
    if (message !== null) yield [{ kind: 'incomplete', incomplete: { why: 'bytes', message } }]
  } finally {
    signal.removeEventListener('abort', stop)
    await fetcher.close()
  }
}
