import { createHash } from 'node:crypto'

/** `sha256:` and lower-case hex of some bytes, or of a text as UTF-8: as documents hold it. */
export const sha256Of = (content: Uint8Array | string): string =>
  `sha256:${createHash('sha256').update(content).digest('hex')}`
