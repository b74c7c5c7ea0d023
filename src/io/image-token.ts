import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'

/** Made again at each start: a token serves while this server runs. Kept on the process, since routes are bundled apart. */
const holder = globalThis as { nimbleParrotKey?: Buffer }
holder.nimbleParrotKey ??= randomBytes(32)

/** What a token allows: reading one picture, as the run that referenced it might. */
export type ImageGrant = { url: string; innerHost: string }

function sign(payload: string): Buffer {
  return createHmac('sha256', holder.nimbleParrotKey!).update(payload).digest()
}

/** Path of the image route for one picture that a run referenced. */
export function imagePath(grant: ImageGrant): string {
  const payload = Buffer.from(JSON.stringify([grant.url, grant.innerHost])).toString('base64url')
  return `/api/image?p=${payload}.${sign(payload).toString('base64url')}`
}

/** What a token allows; null when we did not sign it. */
export function readToken(token: string): ImageGrant | null {
  const [payload, signature] = token.split('.')
  if (!payload || !signature) return null
  const [given, right] = [Buffer.from(signature, 'base64url'), sign(payload)]
  if (given.length !== right.length || !timingSafeEqual(given, right)) return null
  const [url, innerHost] = JSON.parse(Buffer.from(payload, 'base64url').toString('utf8')) as [string, string]
  return { url, innerHost }
}
