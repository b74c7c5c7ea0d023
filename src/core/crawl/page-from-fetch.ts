import { pathnameOf } from '../address'
import type { FetchFact, GatheredPage, RedirectHop } from '../model'
import { decodeHtml, type PageReading, PageStream, readPage, type SourceRowsWanted } from '../page'
import { validatorsOf } from './earlier'
import type { FetchResult } from './read-address'

const HTML_TYPE = /^\s*(?:text\/html|application\/xhtml\+xml)\b/i
const HTML_NAME = /\.x?html?$/i

/** Anything served or named as HTML is a page. */
function isHtml(url: string, contentType: string | null): boolean {
  return HTML_TYPE.test(contentType ?? '') || HTML_NAME.test(pathnameOf(url))
}

/** What the answer says of caches, where it says anything. */
function cacheOf(headers: Record<string, string>): FetchFact['cache'] {
  const { age, etag, 'cache-control': cacheControl } = headers
  if (age === undefined && etag === undefined && cacheControl === undefined) return undefined
  const seconds = Number(age)
  const ageSeconds = age !== undefined && Number.isFinite(seconds) ? seconds : null
  return { ageSeconds, etag: etag ?? null, cacheControl: cacheControl ?? null }
}

/** Where an answer is a page, a stream that reads it as it arrives. */
export function pageStreamFor(url: string) {
  return (status: number, headers: Record<string, string>): PageStream | null => {
    const contentType = headers['content-type'] ?? null
    return status >= 200 && status < 300 && isHtml(url, contentType) ? new PageStream(contentType) : null
  }
}

type Asked = { url: string; file: string | null; redirects: RedirectHop[]; aliases: string[]; fetchedAt: string }

/**
 * A page as gathered, with what only the crawl needs of its reading; null when the answer is no page at all.
 *
 * @param rows which of its lines are kept; absent: all that people look at
 */
export function pageFromFetch(
  asked: Asked,
  exchange: FetchResult,
  rows?: SourceRowsWanted,
): { page: GatheredPage; reading: PageReading | null } | null {
  const { url, file, redirects, aliases, fetchedAt } = asked
  const ms = Math.round(exchange.ms)
  if (exchange.kind === 'failed') {
    const fetch: FetchFact = {
      finalUrl: url,
      redirects,
      aliases,
      ms,
      fetchedAt,
      status: null,
      contentType: null,
      bytes: 0,
      error: exchange.message,
      errorCode: exchange.code,
      robotsHeader: null,
    }
    return { page: { url, file, fetch, facts: null, source: [] }, reading: null }
  }
  const contentType = exchange.headers['content-type'] ?? null
  const isPage = exchange.status < 400
  if (isPage && !isHtml(url, contentType)) return null
  const fetch: FetchFact = {
    finalUrl: url,
    redirects,
    aliases,
    ms,
    fetchedAt,
    status: exchange.status,
    contentType,
    bytes: exchange.page?.byteLength ?? exchange.body.length,
    error: null,
    errorCode: null,
    robotsHeader: exchange.headers['x-robots-tag'] ?? null,
  }
  const cache = cacheOf(exchange.headers)
  if (cache) fetch.cache = cache
  if (exchange.isCut) fetch.isCut = true
  const validators = validatorsOf(exchange.headers)
  if (validators) fetch.validators = validators
  if (!isPage) return { page: { url, file, fetch, facts: null, source: [] }, reading: null }
  const reading = exchange.page?.end() ?? readPage(decodeHtml(exchange.body, contentType))
  return { page: { url, file, fetch, facts: reading.facts, source: reading.source(rows) }, reading }
}
