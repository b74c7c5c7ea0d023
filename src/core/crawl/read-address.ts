import { type AddressOrigin, limits, resolveAddress, shownAddress } from '../address'
import type { Look } from '../image'
import type { FailureCode, GatheredImage, RedirectHop, Validators } from '../model'
import type { PageReading, PageStream, SourceRowsWanted } from '../page'
import type { Earlier } from './earlier'

/** Takes a body as it arrives. */
export type BodySink = { write(bytes: Uint8Array): void }

/** One question to the outside. */
export type ReadRequest = {
  url: string
  accept: 'page' | 'image' | 'text'
  /** Bytes of the decoded body to read at most. */
  maxBytes: number
  /** Ask caches on the way for what the server says now. */
  pastCaches?: boolean
  /** Ask for it only if it has changed: a server that knows it has not answers 304, without a body (RFC 9110, 13.1). */
  ifChanged?: Validators
  /** Ask under our own name, whatever name the run asks with. */
  asOurselves?: boolean
  /** Milliseconds for the whole answer, where it is worth less than the run's own limit. */
  timeoutMs?: number
  /** Ask for the first `maxBytes` alone (RFC 9110, Range). A server may send more all the same. */
  firstBytesOnly?: boolean
  /** The same for any other body. */
  openBody?: (status: number, headers: Record<string, string>) => BodySink | null
  /**
   * Asked once an answer begins: where it gives a stream, the body is read into that as it arrives and not kept.
   * Readers that have the whole body at hand may leave it out.
   */
  openPage?: (status: number, headers: Record<string, string>) => PageStream | null
}

/** What came of it. Header names are in lower case. Failures are values, and never thrown. */
export type FetchResult =
  | {
      kind: 'answered'
      status: number
      headers: Record<string, string>
      body: Uint8Array
      /** The page, where it was taken as it arrived; `body` is empty then. Reading it may still be to do. */
      page?: { readonly byteLength: number; end(): PageReading }
      /** The body was longer than asked for. */
      isCut: boolean
      ms: number
    }
  | { kind: 'failed'; code: FailureCode; message: string; ms: number }

export type Answered = Extract<FetchResult, { kind: 'answered' }>

/** Reads one address, without following redirects. The caller of the crawl hands it in. */
export type ReadAddress = (request: ReadRequest) => Promise<FetchResult>

/**
 * What a picture's pixels say. `alpha`: does some pixel really let through what is behind? `look`: the picture in small,
 * to find others that look the same; `broken` when its bytes can't be decoded. Both are null where they were not asked
 * for, or where it can't be told: it is too large, a drawing, or of a format that is not read here.
 */
export type Decoded = { alpha: boolean | null; look: Look | 'broken' | null }

export type Decode = (bytes: Uint8Array, wants: { alpha: boolean; look: boolean }) => Promise<Decoded>

/** What a run needs from the world beside reading. */
export type CrawlEnvironment = {
  read: ReadAddress
  now: () => Date
  /** `sha256:` and lower-case hex of the whole content. */
  digest: (bytes: Uint8Array) => Promise<string>
  /** Looks at a picture's pixels. Absent: nothing is decoded. */
  decode?: Decode
  /** Looks at a picture of another host, where those can't be read from here. Absent: they are read. */
  lookElsewhere?:
    | ((url: string, mayDecode: (pixels: number, bytes: number) => boolean) => Promise<GatheredImage>)
    | undefined
  sleep: (ms: number) => Promise<void>
  /** Lets what waits for the network go first. Absent: nothing else goes on. */
  yieldToOthers?: () => Promise<void>
  /**
   * Takes what is secret out of an address, to be known by what is left; `read` puts it back. Absent: addresses are known
   * as they are.
   */
  conceal?: (address: string, from: AddressOrigin) => string
  /** How much of each picture is read: all of it, or as much as its size needs. Absent: all. */
  pictures?: 'whole' | 'header'
  /** What an earlier run read: what has not changed since is taken from it. Absent: all is read. */
  earlier?: Earlier | undefined
  /** Which lines of pages are kept. Absent: all that people look at. */
  rows?: SourceRowsWanted | undefined
  /** Links stay with their pages: with those that a later run can ask for again, or with `all`. Absent: they are let go of. */
  keepsLinks?: boolean | 'all' | undefined
  signal: AbortSignal
}

/** The answer for an address on the site's own host that the build cannot hold: nothing is asked on the network. */
export function notInBuild(url: string, site: string): FetchResult {
  return { kind: 'failed', code: 'not-in-build', message: `Not in the build: ${url} lies outside ${site}.`, ms: 0 }
}

/** The end of a chain of redirects. */
export type Followed = { exchange: FetchResult; finalUrl: string; redirects: RedirectHop[] }

/** An answer that sends on. */
export type Redirect = Answered & { headers: { location: string } }

export const isRedirect = (exchange: FetchResult): exchange is Redirect =>
  exchange.kind === 'answered' && [301, 302, 303, 307, 308].includes(exchange.status) && 'location' in exchange.headers

const failed = (code: FailureCode, message: string): FetchResult => ({ kind: 'failed', code, message, ms: 0 })

/**
 * Reads an address and follows its redirects, each hop recorded with the status that sent on and where to.
 *
 * @param mayFollow asked before each hop; a refused hop ends the chain with the redirect itself as the answer
 */
export async function readFollowing(
  url: string,
  read: (url: string) => Promise<FetchResult>,
  locate: (location: string, from: string) => string | null = resolveAddress,
  mayFollow: (url: string) => boolean = () => true,
): Promise<Followed> {
  const redirects: RedirectHop[] = []
  /** Made at the first redirect: most answers are none. */
  let seen: Set<string> | null = null
  let finalUrl = url
  for (;;) {
    const exchange = await read(finalUrl)
    if (!isRedirect(exchange)) return { exchange, finalUrl, redirects }
    const next = locate(exchange.headers.location ?? '', finalUrl)
    if (next === null) {
      return {
        exchange: failed(
          'bad-answer',
          `It redirects to “${shownAddress(exchange.headers.location)}”, which is no address.`,
        ),
        finalUrl,
        redirects,
      }
    }
    redirects.push({ status: exchange.status, url: next })
    seen ??= new Set([url])
    if (seen.has(next))
      return {
        exchange: failed('redirect-loop', `It redirects in a loop: ${next} leads back to itself.`),
        finalUrl: url,
        redirects,
      }
    if (redirects.length > limits.redirects) {
      return {
        exchange: failed('too-many-redirects', `More than ${limits.redirects} redirects, last to ${next}.`),
        finalUrl: url,
        redirects,
      }
    }
    if (!mayFollow(next)) return { exchange, finalUrl, redirects }
    seen.add(next)
    finalUrl = next
  }
}
