import { createHash } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { promisify } from 'node:util'
import { gunzip as gunzipWithCallback } from 'node:zlib'
import type { Outside, ReadAddress } from '@/core/crawl/read-address'
import { lookOf } from './look'
import { hasTransparency } from './transparency'

const unpack = promisify<Uint8Array, { maxOutputLength: number }, Buffer>(gunzipWithCallback)

/** Unpacks gzip, at most so many bytes; more is an error. */
export async function gunzip(bytes: Uint8Array, maxBytes: number): Promise<Uint8Array> {
  return new Uint8Array(await unpack(bytes, { maxOutputLength: maxBytes }))
}

/** The world as Node sees it, for a run. */
export function nodeOutside(read: ReadAddress, signal: AbortSignal, pictures: Outside['pictures'] = 'whole'): Outside {
  return {
    read,
    now: () => new Date(),
    digest: async (bytes) => `sha256:${createHash('sha256').update(bytes).digest('hex')}`,
    hasTransparency,
    look: lookOf,
    sleep: async (ms) => {
      await wait(ms, undefined, { signal }).catch(() => undefined)
    },
    turn: () => new Promise((resolve) => setImmediate(resolve)),
    gunzip,
    pictures,
    signal,
  }
}
