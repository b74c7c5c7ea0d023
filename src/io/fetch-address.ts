import { lookup as dnsLookup } from 'node:dns'
import { isIP, type LookupFunction } from 'node:net'
import { Agent } from 'undici'
import type { Exchange, ReadAddress, ReadRequest } from '@/core/crawl/read-address'
import type { FailureCode } from '@/core/model'
import { hostAndPortOf, type InnerHosts, isInnerAddress } from './guard'
import { BrokenOff, ENCODINGS, TakeAnswer, type Taken } from './take-answer'

export type FetchSettings = {
  /** Inner hosts (`host:port`) that may be asked; all others of that kind are refused. */
  innerHosts: InnerHosts
  concurrency: number
  timeoutMs: number
  signal: AbortSignal
  /** Sent to this host only (`host:port`), so that no redirect and no picture elsewhere can carry it away. */
  login?: { host: string; headers: Record<string, string> } | null
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

/** Looks a name up and refuses inner addresses: after DNS, so that no name can lead inside. */
function guardedLookup(isFree: boolean): LookupFunction {
  return (hostname, options, callback) => {
    dnsLookup(hostname, { ...options, all: true }, (error, addresses) => {
      const found = addresses as { address: string; family: number }[]
      if (error) return callback(error, '', 0)
      const bad = isFree ? undefined : found.find(({ address }) => isInnerAddress(address))
      if (bad)
        return callback(new Forbidden(`${hostname} leads to ${bad.address}, an address inside this network.`), '', 0)
      if (options.all) return (callback as (error: null, all: typeof found) => void)(null, found)
      return callback(null, found[0]!.address, found[0]!.family)
    })
  }
}

/** Why a request failed, as a stable code and a sentence. */
function failureOf(error: unknown, { host }: URL, timeoutMs: number): { code: FailureCode; message: string } {
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
  const guarded = new Agent({ ...options, connect: { lookup: guardedLookup(false), timeout: timeoutMs } })
  const free = new Agent({ ...options, connect: { lookup: guardedLookup(true), timeout: timeoutMs } })
  const running = new Set<TakeAnswer>()
  const stop = () => {
    for (const answer of running) answer.breakOff('stopped')
  }
  signal.addEventListener('abort', stop)

  const headersOf = (
    { accept, maxBytes, firstBytesOnly, pastCaches, asOurselves }: ReadRequest,
    host: string,
  ): Record<string, string> => {
    const headers: Record<string, string> = {
      'user-agent': (!asOurselves && settings.askAs) || USER_AGENT,
      accept: ACCEPT[accept],
      // A part is of the bytes as they are stored: packed ones would be a part of the pack.
      'accept-encoding': firstBytesOnly ? 'identity' : ENCODINGS,
    }
    if (firstBytesOnly) headers.range = `bytes=0-${maxBytes - 1}`
    if (settings.pastCaches || pastCaches) Object.assign(headers, { 'cache-control': 'no-cache', pragma: 'no-cache' })
    if (settings.login?.host === host) Object.assign(headers, settings.login.headers)
    return headers
  }

  const ask = (url: URL, host: string, request: ReadRequest, dispatcher: Agent): Promise<Taken> =>
    new Promise<Taken>((resolve, reject) => {
      const { maxBytes, openPage, openBody } = request
      const answer: TakeAnswer = new TakeAnswer(
        { maxBytes, timeoutMs, openPage, openBody },
        (taken) => {
          running.delete(answer)
          resolve(taken)
        },
        (error) => {
          running.delete(answer)
          reject(error)
        },
      )
      running.add(answer)
      const { origin, pathname, search } = url
      const headers = headersOf(request, host)
      dispatcher.dispatch({ origin, path: pathname + search, method: 'GET', headers }, answer)
    })

  const read = async (request: ReadRequest): Promise<Exchange> => {
    const startedAt = performance.now()
    const elapsed = () => performance.now() - startedAt
    const url = new URL(request.url)
    const host = hostAndPortOf(url)
    const isNamed = innerHosts.has(host)
    const { hostname } = url
    // A literal address is connected to without a look-up, so it is judged here.
    if (!isNamed && isIP(hostname.replace(/^\[|\]$/g, '')) !== 0 && isInnerAddress(hostname)) {
      return {
        kind: 'failed',
        code: 'forbidden',
        message: `${hostname} is an address inside this network, and not the one you named.`,
        ms: elapsed(),
      }
    }
    try {
      const { status, headers, body, page, isCut } = await ask(url, host, request, isNamed ? free : guarded)
      const exchange: Exchange = { kind: 'answered', status, headers, body, isCut, ms: elapsed() }
      if (page) exchange.page = page
      return exchange
    } catch (error) {
      const cause = failureOf(signal.aborted ? new BrokenOff('stopped') : error, url, timeoutMs)
      return { kind: 'failed', ...cause, ms: elapsed() }
    }
  }
  return {
    read,
    close: async () => {
      signal.removeEventListener('abort', stop)
      stop()
      await Promise.all([guarded.destroy(), free.destroy()])
    },
  }
}
