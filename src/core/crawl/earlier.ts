import type { GatheredImage, GatheredPage, KeptLinks, PageFacts, Validators } from '../model'
import { copyString, type PageReading } from '../page'
import type { FetchResult, ReadRequest } from './read-address'

/** A page of an earlier run that can be taken over: what it said, and where its links lead. */
export type KnownPage = GatheredPage & { facts: PageFacts; kept: KeptLinks }

/** What an earlier run of the same source read. What has not changed since is taken from it. */
export type Earlier = {
  /** By its public address; null where it was not read, or nothing tells whether it has changed. */
  page: (url: string) => KnownPage | null
  picture: (url: string) => GatheredImage | null
  /** A picture of the same bytes, wherever it was. */
  pictureWith: (hash: string) => GatheredImage | null
}

/** By what a server can tell that an answer is still the one it gave (RFC 9110, 8.8); undefined where it says neither. */
export function validatorsOf(headers: Record<string, string>): Validators | undefined {
  const { etag = null, 'last-modified': lastModified = null } = headers
  return etag === null && lastModified === null ? undefined : { etag, lastModified }
}

const NOT_MODIFIED = 304

/** Headers of an answer that a server which says “not modified” leaves as they were, unless it says them again. */
function headersAgain(page: KnownPage, headers: Record<string, string>): Record<string, string> {
  const { contentType, robotsHeader, cache, validators } = page.fetch
  const before = {
    'content-type': contentType,
    'x-robots-tag': robotsHeader,
    'cache-control': cache?.cacheControl ?? null,
    etag: validators?.etag ?? null,
    'last-modified': validators?.lastModified ?? null,
  }
  const kept = Object.entries(before).filter((entry): entry is [string, string] => entry[1] !== null)
  return { ...Object.fromEntries(kept), ...headers }
}

/**
 * Asks for a page that an earlier run read, if it has changed; where it has not, the answer is what it was then.
 *
 * @param read asks the server
 */
export async function readIfChanged(
  request: ReadRequest,
  known: KnownPage | null | undefined,
  read: (request: ReadRequest) => Promise<FetchResult>,
): Promise<FetchResult> {
  if (!known?.fetch.validators) return read(request)
  const exchange = await read({ ...request, ifChanged: known.fetch.validators })
  if (exchange.kind !== 'answered' || exchange.status !== NOT_MODIFIED) return exchange
  const { facts, kept, source, fetch } = known
  const reading: PageReading = { facts, ...kept, source: () => source }
  return {
    ...exchange,
    status: 200,
    headers: headersAgain(known, exchange.headers),
    page: { byteLength: fetch.bytes, end: () => reading },
    isCut: fetch.isCut === true,
  }
}

/** Is it the answer to a picture that has not changed? */
export const isUnchanged = (exchange: FetchResult): boolean =>
  exchange.kind === 'answered' && exchange.status === NOT_MODIFIED

/** Keeps a text once, however many pages hold it: most links of a site stand on most of its pages. */
export class SharedTexts {
  private readonly known = new Map<string, string>()

  one(text: string): string {
    const found = this.known.get(text)
    if (found !== undefined) return found
    const own = copyString(text)
    this.known.set(own, own)
    return own
  }
}

/** A page with its links, where a later run could ask whether it has changed. */
export function withLinks(page: GatheredPage, reading: PageReading | null, texts: SharedTexts): GatheredPage {
  if (!reading || !page.facts || !page.fetch.validators) return page
  const { hrefs, hrefPlaces, refreshTo } = reading
  return { ...page, kept: { hrefs: hrefs.map((href) => texts.one(href)), hrefPlaces, refreshTo } }
}
