import {
  type BuildFiles,
  type CrawlEnvironment,
  type FetchResult,
  GatheringBuilder,
  gatherBuild,
  partOf,
} from '../crawl'
import { LOOK_SIDE } from '../image'
import type { Gathering } from '../model'

/** A build in memory: path → content. */
export type MemoryBuild = Record<string, string | Uint8Array>

const bytesOf = (content: string | Uint8Array) =>
  typeof content === 'string' ? new TextEncoder().encode(content) : content

const refused: FetchResult = { kind: 'failed', code: 'refused', message: 'There is no network in tests.', ms: 0 }

/** A look for tests, by the filling of a PNG that the tests made, else by the length: what has the same one looks the same. */
function testLook(bytes: Uint8Array): Uint8Array {
  let state = (bytes[0] === 0x89 && bytes[44]) || bytes.length
  return Uint8Array.from({ length: LOOK_SIDE ** 2 + 72 }, (_, index) => {
    // In blotches: what differs from one pixel to the next is nothing that a look keeps.
    if (index % 12 === 0) state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return index < LOOK_SIDE ** 2 ? state >>> 24 : 128
  })
}

/** The world for tests: a clock that stands, no network but what is passed in. */
export function testOutside(read: CrawlEnvironment['read'] = async () => refused): CrawlEnvironment {
  return {
    read,
    now: () => new Date('2026-11-23T09:12:00Z'),
    digest: async (bytes) => `sha256:${bytes.length}`,
    decode: async (bytes, wants) => ({ alpha: wants.alpha ? false : null, look: wants.look ? testLook(bytes) : null }),
    sleep: async () => undefined,
    signal: new AbortController().signal,
  }
}

/** Files that are held in memory, as those of a folder or a zip. */
export const memoryFiles = (build: MemoryBuild): BuildFiles => ({
  paths: Object.keys(build),
  read: async (path, maxBytes) => partOf(bytesOf(build[path]!), maxBytes),
})

/** Gathers a build that is held in memory. */
export async function gatherMemory(
  build: MemoryBuild,
  site: string | null,
  read?: CrawlEnvironment['read'],
): Promise<Gathering> {
  const builder = new GatheringBuilder()
  const files = memoryFiles(build)
  const options = { kind: 'folder' as const, location: 'memory', site, maxPages: null, concurrency: 4 }
  for await (const event of gatherBuild(files, options, testOutside(read))) builder.add(event)
  return builder.gathering()!
}
