import { z } from 'zod'
import { baseOf, resolveAddress } from '../address'
import { GatheredImage, GatheredPage, KeptLinks, PageFacts, type Validators } from '../model'
import { copyString, type PageReading } from '../page'
import type { CrawlEnvironment, FetchResult, ReadRequest } from './read-address'

/** A page of an earlier run that can be taken over: what it said, and where its links lead. */
const KnownPage = GatheredPage.extend({ facts: PageFacts, kept: KeptLinks })
export type KnownPage = z.infer<typeof KnownPage>

/** What an earlier run read, as it is handed over where the run itself is elsewhere. */
export const EarlierFacts = z.object({ pages: z.array(KnownPage), images: z.array(GatheredImage) })
export type EarlierFacts = z.infer<typeof EarlierFacts>

/** What an earlier run of the same source read. What has not changed since is taken from it. */
export type Earlier = {
  /** By its public address; null where it was not read, or nothing tells whether it has changed. */
  page: (url: string) => KnownPage | null
  /** The same by the URL that the page was served at, before it is known where the site lives; absent: not known. */
  pageAt?: (servedUrl: string) => KnownPage | null
  picture: (url: string) => GatheredImage | null
  /** A picture of the same bytes, wherever it was. */
  pictureWith: (hash: string) => GatheredImage | null
  /** Told of each that had not changed and was taken. */
  onTaken?: ((what: 'page' | 'picture') => void) | undefined
}

/** What was handed over, to be asked. */
export function earlierFrom({ pages, images }: EarlierFacts, onTaken?: Earlier['onTaken']): Earlier {
  const byUrl = new Map(pages.map((page) => [page.url, page]))
  const pictures = new Map(images.map((image) => [image.url, image]))
  const byHash = new Map(images.flatMap((image) => (image.hash === null ? [] : [[image.hash, image] as const])))
  return {
    page: (url) => byUrl.get(url) ?? null,
    picture: (url) => pictures.get(url) ?? null,
    pictureWith: (hash) => byHash.get(hash) ?? null,
    onTaken,
  }
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
  earlier: Earlier | undefined,
  read: (request: ReadRequest) => Promise<FetchResult>,
): Promise<FetchResult> {
  const known = earlier?.page(request.url)
  if (!known?.fetch.validators) return read(request)
  const exchange = await read({ ...request, ifChanged: known.fetch.validators })
  if (exchange.kind !== 'answered' || exchange.status !== NOT_MODIFIED) return exchange
  earlier?.onTaken?.('page')
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

/** What a run keeps links by, and which texts it has already. */
type Keeping = { texts: SharedTexts; conceal: CrawlEnvironment['conceal']; keepsLinks: CrawlEnvironment['keepsLinks'] }

/** Does a link as it is written hold what lets somebody in? Only in a query or before a host can it. */
function holdsSecret(href: string, base: string, conceal: CrawlEnvironment['conceal']): boolean {
  if (href.includes('@') && /^(?:https?:)?\/\/[^/]*@/i.test(href)) return true
  const address = href.includes('=') ? resolveAddress(href, base) : null
  return address !== null && conceal !== undefined && conceal(address, 'page') !== address
}

/**
 * A page with its links, where a later run could ask whether it has changed. One whose links hold a secret of the run's is
 * left as it is: documents are handed on.
 */
export function withLinks(
  page: GatheredPage,
  reading: PageReading | null,
  { texts, conceal, keepsLinks }: Keeping,
): GatheredPage {
  if (!keepsLinks || !reading || !page.facts) return page
  if (keepsLinks !== 'all' && !page.fetch.validators) return page
  const { hrefs, hrefPlaces, refreshTo } = reading
  const base = baseOf(page.url, page.facts.base)
  if (hrefs.some((href) => holdsSecret(href, base, conceal))) return page
  return { ...page, kept: { hrefs: hrefs.map((href) => texts.one(href)), hrefPlaces, refreshTo } }
}

/** Is all known of a picture that reading it would tell? What was too much to decode then may not be now. */
const isKnownWhole = ({ errorCode, format, look }: GatheredImage): boolean =>
  errorCode === null && (typeof look === 'string' || format === 'svg')

/** A picture of an earlier run that can be taken over; null where it would have to be read. */
export function takenPicture(found: GatheredImage | null | undefined): GatheredImage | null {
  return found && isKnownWhole(found) ? found : null
}
