import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'

/** `sha256:` and lower-case hex of a whole content, as a browser works it out. */
export async function digestOf(bytes: Uint8Array | ArrayBuffer): Promise<string> {
  const sum = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)
  return `sha256:${[...new Uint8Array(sum)].map((byte) => byte.toString(16).padStart(2, '0')).join('')}`
}

/** The same of a text that comes in pieces, and may be longer than any text: the browser itself hashes wholes alone. */
export function digestOfTexts(texts: Iterable<string>): string {
  const hash = sha256.create()
  const encoder = new TextEncoder()
  for (const text of texts) hash.update(encoder.encode(text))
  return `sha256:${bytesToHex(hash.digest())}`
}
