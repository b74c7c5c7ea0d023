import { limits, resolveAddress } from '../address'
import type { Incomplete } from '../model'
import { type CrawlEnvironment, type FetchResult, type ReadRequest, readFollowing } from './read-address'
import { SitemapStream } from './sitemap-stream'

/**
 * What sitemaps name, those that an index names included; each page with the sitemap that names it. `failed` are
 * sitemaps that could not be read, with the status of their answer, null where there was none.
 */
export type CollectedSitemaps = {
  read: string[]
  pages: { page: string; sitemap: string }[]
  failed: { url: string; reason: string; status: number | null }[]
  /** One went on beyond what is read of a sitemap, or there were more of them than are read. */
  isCut: boolean
}

/** Reads sitemaps and the ones that they name, each once, up to the limit. A broken one does not end it. */
export async function collectSitemaps(
  first: readonly string[],
  read: (request: ReadRequest) => Promise<FetchResult>,
  outside: Pick<CrawlEnvironment, 'signal' | 'conceal'>,
): Promise<CollectedSitemaps> {
  const collected: CollectedSitemaps = { read: [], pages: [], failed: [], isCut: false }
  const conceal = (address: string) => outside.conceal?.(address, 'page') ?? address
  const known = new Set(first.map(conceal))
  for (const url of known) {
    if (outside.signal.aborted) break
    if (collected.read.length + collected.failed.length >= limits.sitemaps + first.length) {
      collected.isCut = true
      break
    }
    let stream = new SitemapStream()
    let fault: unknown = null
    // What comes is read at once; a fault in it is kept until the answer is complete.
    const sink = {
      write(bytes: Uint8Array) {
        if (fault !== null) return
        try {
          stream.write(bytes)
        } catch (error) {
          fault = error
        }
      },
    }
    const openBody = (status: number) => {
      stream = new SitemapStream()
      fault = null
      return status === 200 ? sink : null
    }
    const { exchange } = await readFollowing(url, (at) =>
      read({ url: at, accept: 'text', maxBytes: limits.sitemapBytes, openBody }),
    )
    // Cut off by our own stop: no fault of the sitemap's.
    if (exchange.kind === 'failed' && exchange.code === 'stopped') break
    if (exchange.kind === 'failed' || exchange.status !== 200) {
      collected.failed.push({
        url,
        reason: exchange.kind === 'failed' ? exchange.message : `It answered ${exchange.status}.`,
        status: exchange.kind === 'failed' ? null : exchange.status,
      })
      continue
    }
    try {
      // Readers that have the whole at hand give it as a body.
      sink.write(exchange.body)
      if (fault !== null) throw fault
      const { pages, sitemaps, isCut } = stream.end()
      if (isCut) collected.isCut = true
      collected.read.push(url)
      for (const page of pages) collected.pages.push({ page: conceal(page), sitemap: url })
      // A set grows while it is walked: what an index names is read in its turn.
      for (const further of sitemaps) {
        const address = resolveAddress(further, url)
        if (address) known.add(conceal(address))
      }
    } catch (error) {
      collected.failed.push({
        url,
        reason: `It can’t be unpacked: ${error instanceof Error ? error.message : String(error)}`,
        status: exchange.status,
      })
    }
  }
  return collected
}

/** No crawler is let have it: a fault of the site that a finding names, and nothing that another try would read. */
const isNotThere = (status: number | null) =>
  status !== null && status >= 400 && status < 500 && status !== 408 && status !== 429

/**
 * What a run lacks whose sitemaps could not all be read: the pages that only they name.
 *
 * @param isWholeRun the run is of nothing but these sitemaps, so that one which is not there is missing too
 */
export function lackOfSitemaps({ pages, failed, isCut }: CollectedSitemaps, isWholeRun = false): Incomplete[] {
  const lost = failed.filter(({ status }) => isWholeRun || !isNotThere(status))
  return [
    ...lost.map(({ url, reason }) => ({
      why: 'lost' as const,
      message: `The sitemap ${url} could not be read. ${reason}`,
    })),
    ...(isCut
      ? [
          {
            why: 'pages' as const,
            message: `Sitemaps name more than is read of them: ${pages.length} addresses were taken.`,
          },
        ]
      : []),
  ]
}
