import { lookup as dnsLookup } from 'node:dns'
import type { LookupFunction } from 'node:net'
import { Agent } from 'undici'
import { parseUrl, shownAddress } from '@/core/address'
import type { FetchResult, ReadAddress, ReadRequest } from '@/core/crawl'
import type { FailureCode } from '@/core/model'
import { type InnerHosts, isInnerAddress } from './guard'
import { Origins } from './origins'
import { BrokenOff, ENCODINGS, TakeAnswer, type Taken } from './take-answer'

export type FetchSettings = {
  /** Inner hosts that may be asked; all others of that kind are refused. */
  innerHosts: InnerHosts
  concurrency: number
  timeoutMs: number
  signal: AbortSignal
  /** Sent to this origin (scheme, host and port) and no other: no redirect and no picture elsewhere can carry it away. */
  login?: { origin: string; headers: Record<string, string> } | null
  /** Crawler token to ask with, in place of our own name. */
  askAs?: string | null
  /** Ask caches on the way for what the server says now. */
  pastCaches?: boolean
}

const USER_AGENT = 'NimbleParrot/0.1'
const ACCEPT = {
  page: 'text/html,application/xhtml+xml;q=0.9,*/*;q=0.5',
  image: 'image/avif,image/webp,image/png,image/*;q=0.8,*/*;q=0.5',
  text: 'text/plain,*/*;q=0.5',
} as const

class Forbidden extends Error {}

const NONE: ReadonlySet<string> = new Set()

/**
 * The first inner address among those of a name that may not be connected to.
 * @param may inner addresses that this host had when the user named it
 */
export const forbiddenAmong = (addresses: readonly string[], may: ReadonlySet<string>): string | undefined =>
  addresses.find((address) => isInnerAddress(address) && !may.has(address))

/** Looks a name up and refuses inner addresses: after DNS, so that no name can lead inside. */
function guardedLookup(may: ReadonlySet<string>): LookupFunction {
  return (hostname, options, callback) => {
    dnsLookup(hostname, { ...options, all: true }, (error, addresses) => {
      if (error) return callback(error, '', 0)
      const bad = forbiddenAmong(
        addresses.map(({ address }) => address),
        may,
      )
      if (bad !== undefined)
        return callback(new Forbidden(`${hostname} leads to ${bad}, an address inside this network.`), '', 0)
      if (options.all) return callback(null, addresses)
      return callback(null, addresses[0]!.address, addresses[0]!.family)
    })
  }
}

/** Why a request failed, as a stable code and a sentence. */
function failureOf(error: unknown, origin: string, timeoutMs: number): { code: FailureCode; message: string } {
  const host = parseUrl(origin)?.host ?? origin
  if (error instanceof BrokenOff) {
    return error.why === 'stopped'
      ? { code: 'stopped', message: 'The run was stopped.' }
      : { code: 'timeout', message: `${host} did not answer within ${timeoutMs / 1000} s.` }
  }
  const causes = [error, (error as { cause?: unknown }).cause].filter(
    (one): one is Error & { code?: string } => one instanceof Error,
  )
  const code = causes.map((cause) => cause.code).find((one) => one !== undefined) ?? ''
  if (causes.some((cause) => cause instanceof Forbidden))
    return { code: 'forbidden', message: causes.find((cause) => cause instanceof Forbidden)!.message }
  if (/TIMEOUT|ABORT_TIMEOUT/.test(code) || causes.some((cause) => cause.name === 'TimeoutError')) {
    return { code: 'timeout', message: `${host} did not answer within ${timeoutMs / 1000} s.` }
  }
  if (causes.some((cause) => cause.name === 'AbortError')) return { code: 'stopped', message: 'The run was stopped.' }
  if (code === 'ECONNREFUSED') return { code: 'refused', message: `${host} refuses connections.` }
  if (/ENOTFOUND|EAI_AGAIN|EAI_NODATA/.test(code))
    return { code: 'host-not-found', message: `There is no host ${host}.` }
  if (/ECONNRESET|UND_ERR_SOCKET|EPIPE/.test(code))
    return { code: 'reset', message: `${host} broke the connection off.` }
  if (/CERT|SSL|TLS|SELF_SIGNED|UNABLE_TO_VERIFY/.test(code))
    return { code: 'tls', message: `The certificate of ${host} is not valid (${code}).` }
  return {
    code: 'bad-answer',
    message: `${host} answered with something that is not HTTP (${code || causes[0]?.message || 'unknown'}).`,
  }
}

/** A reader of addresses over HTTP, with its own connections. Close it when the run is over. */
export function createFetcher(settings: FetchSettings): { read: ReadAddress; close: () => Promise<void> } {
  const { innerHosts, concurrency, timeoutMs, signal } = settings
  // One time limit holds for a whole answer; the client's own, of its parts, would only watch beside it.
  const options = {
    connections: concurrency,
    pipelining: 1,
    keepAliveTimeout: 10_000,
    headersTimeout: 0,
    bodyTimeout: 0,
  }
  const agentFor = (may: ReadonlySet<string>) =>
    new Agent({ ...options, connect: { lookup: guardedLookup(may), timeout: timeoutMs } })
  const guarded = agentFor(NONE)
  /** One for each inner host: what it may be connected to is its own. */
  const named = new Map([...innerHosts].map(([host, may]) => [host, agentFor(may)]))
  const origins = new Origins(innerHosts)
  // Each lets go of all that it has under way.
  const stop = () => Promise.all([guarded, ...named.values()].map((agent) => agent.destroy(new BrokenOff('stopped'))))
  signal.addEventListener('abort', stop)

  const headersOf = (
    { accept, maxBytes, firstBytesOnly, pastCaches, asOurselves, ifChanged }: ReadRequest,
    origin: string,
  ): Record<string, string> => {
    const headers: Record<string, string> = {
      'user-agent': (!asOurselves && settings.askAs) || USER_AGENT,
      accept: ACCEPT[accept],
      // A part is of the bytes as they are stored: packed ones would be a part of the pack.
      'accept-encoding': firstBytesOnly ? 'identity' : ENCODINGS,
    }
    if (firstBytesOnly) headers['range'] = `bytes=0-${maxBytes - 1}`
    if (settings.pastCaches || pastCaches) Object.assign(headers, { 'cache-control': 'no-cache', pragma: 'no-cache' })
    if (ifChanged?.etag) headers['if-none-match'] = ifChanged.etag
    if (ifChanged?.lastModified) headers['if-modified-since'] = ifChanged.lastModified
    if (settings.login?.origin === origin) Object.assign(headers, settings.login.headers)
    return headers
  }

  const read = (request: ReadRequest): Promise<FetchResult> => {
    const startedAt = performance.now()
    const elapsed = () => performance.now() - startedAt
    const refused = (code: FailureCode, message: string): Promise<FetchResult> =>
      Promise.resolve({ kind: 'failed', code, message, ms: elapsed() })
    const parts = origins.split(request.url)
    if (!parts) return refused('bad-answer', `“${shownAddress(request.url)}” is no address.`)
    const { to, path } = parts
    if (to.refusal !== null) return refused('forbidden', to.refusal)
    const { maxBytes, openPage, openBody } = request
    const limitMs = Math.min(timeoutMs, request.timeoutMs ?? timeoutMs)
    // One promise an answer: each further one, and the engine's work between two of them, is felt in a long run.
    return new Promise<FetchResult>((resolve) => {
      const fail = (error: unknown) => {
        const cause = failureOf(signal.aborted ? new BrokenOff('stopped') : error, to.origin, limitMs)
        resolve({ kind: 'failed', ...cause, ms: elapsed() })
      }
      const take = ({ status, headers, body, page, isCut }: Taken) => {
        const exchange: FetchResult = { kind: 'answered', status, headers, body, isCut, ms: elapsed() }
        if (page) exchange.page = page
        resolve(exchange)
      }
      const answer = new TakeAnswer({ maxBytes, timeoutMs: limitMs, openPage, openBody }, take, fail)
      const dispatcher = named.get(to.host) ?? guarded
      try {
        dispatcher.dispatch({ origin: to.origin, path, method: 'GET', headers: headersOf(request, to.origin) }, answer)
      } catch (error) {
        answer.fail(error)
      }
    })
  }
  return {
    read,
    close: async () => {
      signal.removeEventListener('abort', stop)
      await stop()
    },
  }
}
