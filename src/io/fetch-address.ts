import { lookup as dnsLookup } from 'node:dns'
import { isIP, type LookupFunction } from 'node:net'
import type { Readable } from 'node:stream'
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib'
import { Agent, request } from 'undici'
import type { Exchange, ReadAddress, ReadRequest } from '@/core/crawl/read-address'
import type { FailureCode } from '@/core/model'
import type { PageStream } from '@/core/page/page-stream'
import { hostAndPort, type InnerHosts, isInnerAddress } from './guard'

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
/** A body that unpacks to more than this many times its size is no page: it is a bomb. */
const MOST_EXPANSION = 200

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
function failureOf(error: unknown, url: string, timeoutMs: number): { code: FailureCode; message: string } {
  const causes = [error, (error as { cause?: unknown }).cause].filter(
    (one): one is Error & { code?: string } => one instanceof Error,
  )
  const code = causes.map((cause) => cause.code).find((one) => one !== undefined) ?? ''
  const { host } = new URL(url)
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

function decoderFor(encoding: string | undefined) {
  if (encoding === 'gzip' || encoding === 'x-gzip') return createGunzip()
  if (encoding === 'br') return createBrotliDecompress()
  if (encoding === 'deflate') return createInflate()
  return null
}

/** Reads a body, decoded, up to a limit; the rest is not read. What goes into a page's stream is not kept. */
async function readBody(
  body: Readable,
  encoding: string | undefined,
  maxBytes: number,
  page: PageStream | null,
): Promise<{ bytes: Uint8Array; isCut: boolean }> {
  const decoder = decoderFor(encoding?.trim().toLowerCase())
  let packed = 0
  body.on('data', (chunk: Buffer) => {
    packed += chunk.length
  })
  const stream = decoder ? body.pipe(decoder) : body
  if (decoder) body.on('error', (error) => decoder.destroy(error))
  const chunks: Buffer[] = []
  let length = 0
  let isCut = false
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    if (page) page.write(new Uint8Array(chunk.subarray(0, Math.max(0, maxBytes - length))))
    else chunks.push(chunk)
    length += chunk.length
    if (length > maxBytes || (decoder && length > MOST_EXPANSION * Math.max(packed, 1024))) {
      isCut = true
      break
    }
  }
  body.destroy()
  const all = Buffer.concat(chunks)
  return { bytes: new Uint8Array(isCut ? all.subarray(0, maxBytes) : all), isCut }
}

function plainHeaders(headers: Record<string, string | string[] | undefined>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(headers).flatMap(([name, value]) =>
      value === undefined ? [] : [[name.toLowerCase(), Array.isArray(value) ? value.join(', ') : value]],
    ),
  )
}

/** A reader of addresses over HTTP, with its own connections. Close it when the run is over. */
export function createFetcher(settings: FetchSettings): { read: ReadAddress; close: () => Promise<void> } {
  const { innerHosts, concurrency, timeoutMs, signal } = settings
  const options = { connections: concurrency, pipelining: 1, keepAliveTimeout: 10_000 }
  const guarded = new Agent({ ...options, connect: { lookup: guardedLookup(false), timeout: timeoutMs } })
  const free = new Agent({ ...options, connect: { lookup: guardedLookup(true), timeout: timeoutMs } })

  const read = async ({
    url,
    accept,
    maxBytes,
    firstBytesOnly,
    pastCaches,
    asOurselves,
    openPage,
  }: ReadRequest): Promise<Exchange> => {
    const startedAt = performance.now()
    const elapsed = () => performance.now() - startedAt
    const isNamed = innerHosts.has(hostAndPort(url))
    const { hostname } = new URL(url)
    // A literal address is connected to without a look-up, so it is judged here.
    const isLiteral = isIP(hostname.replace(/^\[|\]$/g, '')) !== 0
    if (!isNamed && isLiteral && isInnerAddress(hostname)) {
      return {
        kind: 'failed',
        code: 'forbidden',
        message: `${hostname} is an address inside this network, and not the one you named.`,
        ms: elapsed(),
      }
    }
    const timeout = AbortSignal.timeout(timeoutMs)
    try {
      const response = await request(url, {
        method: 'GET',
        dispatcher: isNamed ? free : guarded,
        signal: AbortSignal.any([signal, timeout]),
        headers: {
          'user-agent': (!asOurselves && settings.askAs) || USER_AGENT,
          accept: ACCEPT[accept],
          // A part is of the bytes as they are stored: packed ones would be a part of the pack.
          ...(firstBytesOnly
            ? { range: `bytes=0-${maxBytes - 1}`, 'accept-encoding': 'identity' }
            : { 'accept-encoding': 'gzip, br, deflate' }),
          ...(settings.pastCaches || pastCaches ? { 'cache-control': 'no-cache', pragma: 'no-cache' } : {}),
          ...(settings.login && settings.login.host === hostAndPort(url) ? settings.login.headers : {}),
        },
      })
      const headers = plainHeaders(response.headers)
      const page = openPage?.(response.statusCode, headers) ?? null
      const { bytes, isCut } = await readBody(response.body, headers['content-encoding'], maxBytes, page)
      const streamed = page ? { streamed: { reading: page.end(), bytes: page.byteLength } } : {}
      return { kind: 'answered', status: response.statusCode, headers, body: bytes, ...streamed, isCut, ms: elapsed() }
    } catch (error) {
      const cause = signal.aborted
        ? { code: 'stopped' as const, message: 'The run was stopped.' }
        : failureOf(timeout.aborted ? timeout.reason : error, url, timeoutMs)
      return { kind: 'failed', ...cause, ms: elapsed() }
    }
  }
  return {
    read,
    close: async () => {
      await Promise.all([guarded.destroy(), free.destroy()])
    },
  }
}
