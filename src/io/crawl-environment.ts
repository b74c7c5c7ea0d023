import { setTimeout as wait } from 'node:timers/promises'
import type { CrawlEnvironment, ReadAddress } from '@/core/crawl'
import { createDecode } from './decoder/decoder'
import { sha256Of } from './sha256'

/** What a run takes from an earlier one, and what it keeps. */
export type RunMemory = Pick<CrawlEnvironment, 'earlier' | 'keepsLinks' | 'rows'>

/** The world as Node sees it, for a run. */
export function nodeEnvironment(
  read: ReadAddress,
  signal: AbortSignal,
  pictures: CrawlEnvironment['pictures'] = 'whole',
  { earlier, keepsLinks, rows }: RunMemory = {},
): CrawlEnvironment {
  return {
    read,
    now: () => new Date(),
    digest: async (bytes) => sha256Of(bytes),
    decode: createDecode(signal),
    sleep: async (ms) => {
      await wait(ms, undefined, { signal }).catch(() => undefined)
    },
    yieldToOthers: () => new Promise((resolve) => setImmediate(resolve)),
    pictures,
    earlier,
    keepsLinks,
    rows,
    signal,
  }
}
