import { limits } from '../address'
import type { PageFacts, SecondLook } from '../model'
import { tagChanges } from '../surface'
import { pageFromFetch, pageStreamFor } from './page-from-fetch'
import { type FetchResult, type Followed, isRedirect, type ReadRequest, readFollowing } from './read-address'

/** What caches call an answer of their own: `X-Cache: HIT`, `CF-Cache-Status: HIT`, `Cache-Status: edge; hit`. */
const CACHE_HEADERS = [
  'x-cache',
  'cf-cache-status',
  'cache-status',
  'x-proxy-cache',
  'x-vercel-cache',
  'x-cache-status',
]

/** A page that is read for its tags alone. */
export const ASKED = { url: '', file: null, redirects: [], aliases: [], fetchedAt: '' }

/** Does an answer show that a cache gave it? */
function isFromCache(exchange: FetchResult): boolean {
  if (exchange.kind !== 'answered') return false
  const { headers } = exchange
  return (
    Number(headers['age'] ?? 0) > 0 ||
    CACHE_HEADERS.some((name) => name in headers && /\b(?:hit|stale|revalidated)\b/i.test(headers[name]!))
  )
}

/** Tags that cards are made of. Addresses of the page are left out: they follow the question. */
const IS_CARD_TAG = /^(?:title$|description$|(?:og|twitter|article|product):(?!url$))/

/** A query that no cache has seen: the time of the question. */
function withFreshQuery(url: string, now: Date): string {
  const fresh = new URL(url)
  fresh.searchParams.set('nimble-parrot', now.getTime().toString(36))
  return fresh.href
}

/**
 * Asks for a page again in another way, and holds the two answers against each other.
 *
 * @param facts what the first answer said; null when it was no page
 */
async function lookTwice(
  url: string,
  facts: PageFacts | null,
  how: SecondLook['how'],
  askedAs: string | null,
  ask: (request: ReadRequest) => Promise<FetchResult>,
  now: Date,
): Promise<SecondLook> {
  const isFresh = how === 'past-caches'
  const address = isFresh ? withFreshQuery(url, now) : url
  const { exchange } = await readFollowing(address, (at) =>
    ask({
      url: at,
      accept: 'page',
      maxBytes: limits.pageBytes,
      openPage: pageStreamFor(at),
      pastCaches: isFresh,
      asOurselves: !isFresh,
    }),
  )
  if (exchange.kind === 'failed') return { how, askedAs, status: null, error: exchange.message, differs: [] }
  const there = pageFromFetch({ ...ASKED, url }, exchange)?.page.facts ?? null
  const changes = facts === null || there === null ? [] : tagChanges(facts, there)
  const differs = changes
    .filter(({ key }) => IS_CARD_TAG.test(key))
    .map(({ key, before, after }) => ({ key, here: before, there: after }))
  return { how, askedAs, status: exchange.status, error: null, differs }
}

/**
 * Second questions for a page, where a cache has shown its hand, or the run asks under another name than ours.
 *
 * @param askAs the crawler whose name the run asks under; null: our own
 * @param now the time of the question
 */
export async function secondLooksAt(
  { exchange, finalUrl }: Followed,
  askAs: string | null,
  ask: (request: ReadRequest) => Promise<FetchResult>,
  now: Date,
): Promise<SecondLook[]> {
  if (exchange.kind === 'failed' || isRedirect(exchange)) return []
  const hows: SecondLook['how'][] = []
  if (isFromCache(exchange)) hows.push('past-caches')
  if (askAs !== null) hows.push('as-ourselves')
  if (hows.length === 0) return []
  const found = pageFromFetch({ ...ASKED, url: finalUrl }, exchange)
  if (!found) return []
  const looks: SecondLook[] = []
  for (const how of hows) looks.push(await lookTwice(finalUrl, found.page.facts, how, askAs, ask, now))
  return looks
}
