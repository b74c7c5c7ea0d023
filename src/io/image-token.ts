import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { z } from 'zod'
import { parseJson } from '@/core/model'
import type { InnerHosts } from './guard'

/** Made again at each start: a token serves while this server runs. Kept on the process, since routes are bundled apart. */
const holder = globalThis as { nimbleParrotKey?: Buffer }
holder.nimbleParrotKey ??= randomBytes(32)

/** A picture is read when its card is drawn, or looked at whole; after a working day a run has to be made again. */
const TOKEN_MS = 12 * 60 * 60 * 1000

/** What a token allows: reading one picture, as the run that referenced it might. */
export type ImageGrant = { url: string; innerHosts: InnerHosts }

const Payload = z.tuple([z.string(), z.array(z.tuple([z.string(), z.array(z.string())])), z.number()])

function sign(payload: string): Buffer {
  return createHmac('sha256', holder.nimbleParrotKey!).update(payload).digest()
}

/** Path of the image route for one picture that a run referenced. */
export function imagePath({ url, innerHosts }: ImageGrant, nowMs = Date.now()): string {
  const hosts = [...innerHosts].map(([host, addresses]) => [host, [...addresses]])
  const payload = Buffer.from(JSON.stringify([url, hosts, nowMs + TOKEN_MS])).toString('base64url')
  return `/api/image?p=${payload}.${sign(payload).toString('base64url')}`
}

/** What a token allows; null when we did not sign it, or when its time is over. */
export function readToken(token: string, nowMs = Date.now()): ImageGrant | null {
  const [payload, signature] = token.split('.')
  if (!payload || !signature) return null
  const [given, right] = [Buffer.from(signature, 'base64url'), sign(payload)]
  if (given.length !== right.length || !timingSafeEqual(given, right)) return null
  const json = parseJson(Buffer.from(payload, 'base64url').toString('utf8'))
  const read = Payload.safeParse(json.ok ? json.value : null)
  if (!read.success || nowMs >= read.data[2]) return null
  const [url, hosts] = read.data
  return { url, innerHosts: new Map(hosts.map(([host, addresses]) => [host, new Set(addresses)])) }
}
