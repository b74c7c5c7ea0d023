import { resolveAddress } from './address'
import { limits } from './limits'
import { type Exchange, type Outside, type ReadRequest, readFollowing } from './read-address'
import { isGzip, readSitemap } from './sitemap'

/** What sitemaps name, those that an index names included. `failed` are sitemaps that could not be read. */
export type CollectedSitemaps = { read: string[]; pages: string[]; failed: { url: string; reason: string }[] }

/** Text of a sitemap file, unpacked when it is gzip. */
export async function sitemapText(bytes: Uint8Array, outside: Pick<Outside, 'gunzip'>): Promise<string> {
  const plain = isGzip(bytes) ? await outside.gunzip(bytes, limits.sitemapBytes) : bytes
  return new TextDecoder('utf-8').decode(plain)
}

/** Reads sitemaps and the ones that they name, each once, up to the limit. A broken one does not end it. */
export async function collectSitemaps(
  first: readonly string[],
  read: (request: ReadRequest) => Promise<Exchange>,
  outside: Pick<Outside, 'gunzip' | 'signal'>,
): Promise<CollectedSitemaps> {
  const collected: CollectedSitemaps = { read: [], pages: [], failed: [] }
  const known = new Set(first)
  for (const url of known) {
    if (outside.signal.aborted || known.size > limits.sitemaps + first.length) break
    const { exchange } = await readFollowing(url, (at) =>
      read({ url: at, accept: 'text', maxBytes: limits.sitemapBytes }),
    )
    if (exchange.kind === 'failed' || exchange.status !== 200) {
      collected.failed.push({
        url,
        reason: exchange.kind === 'failed' ? exchange.message : `It answered ${exchange.status}.`,
      })
      continue
    }
    try {
      const { pages, sitemaps } = readSitemap(await sitemapText(exchange.body, outside))
      collected.read.push(url)
      for (const page of pages) collected.pages.push(page)
      // A set grows while it is walked: what an index names is read in its turn.
      for (const further of sitemaps) {
        const address = resolveAddress(further, url)
        if (address) known.add(address)
      }
    } catch (error) {
      collected.failed.push({
        url,
        reason: `It can’t be unpacked: ${error instanceof Error ? error.message : String(error)}`,
      })
    }
  }
  return collected
}
