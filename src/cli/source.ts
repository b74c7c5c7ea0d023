import { stat } from 'node:fs/promises'
import { crawl } from '@/core/crawl/crawl'
import type { CrawlEvent } from '@/core/crawl/events'
import { gatherBuild } from '@/core/crawl/gather-build'
import { createFetcher } from '@/io/fetch-address'
import { openFolder } from '@/io/folder'
import { hostAndPort } from '@/io/guard'
import { nodeOutside } from '@/io/outside'
import { CannotRun } from './cannot-run'
import { type CheckOptions, fromHere } from './check'

async function folderAt(source: string): Promise<string> {
  const path = fromHere(source)
  const found = await stat(path).catch(() => null)
  if (!found)
    throw new CannotRun(`“${source}” is neither an http address nor a folder that exists (looked at ${path}).`)
  if (!found.isDirectory())
    throw new CannotRun(`“${source}” is a file. Give the folder of built HTML, or the address of a running server.`)
  return path
}

/** Events of a run over whatever the source is: an address to crawl from, or a folder. */
export async function* gatherSource(
  source: string,
  site: string | null,
  options: CheckOptions,
  signal: AbortSignal,
): AsyncGenerator<CrawlEvent> {
  const { maxPages, maxDepth, concurrency, delay: delayMs, timeout: timeoutMs, ignoreRobots } = options
  const isAddress = /^https?:\/\//i.test(source)
  const innerHosts = new Set(isAddress && URL.canParse(source) ? [hostAndPort(source)] : [])
  const fetcher = createFetcher({ innerHosts, concurrency, timeoutMs, signal })
  const outside = nodeOutside(fetcher.read, signal)
  try {
    if (isAddress) {
      yield* crawl(
        { start: source, site, guessSite: false, maxPages, maxDepth, concurrency, delayMs, ignoreRobots },
        outside,
      )
    } else {
      const path = await folderAt(source)
      yield* gatherBuild(
        await openFolder(path),
        { kind: 'folder', location: source, site, maxPages, concurrency },
        outside,
      )
    }
  } finally {
    await fetcher.close()
  }
}
