import type { CrawlRequest } from '@/core/crawl/wire'
import type { StoredRun } from '@/store/database'
import type { GatherSource } from '@/workers/protocol'

/** `localhost:3000` is meant as http; anything else without a scheme as https. null for what is no address. */
export function completeAddress(typed: string): string | null {
  const text = typed.trim()
  if (text === '') return null
  const isLocal = /^(?:localhost|127\.|10\.|192\.168\.|\[::1\])/i.test(text)
  const whole = /^[a-z][a-z0-9+.-]*:\/\//i.test(text) ? text : `${isLocal ? 'http' : 'https'}://${text}`
  return URL.canParse(whole) && /^https?:$/.test(new URL(whole).protocol) ? new URL(whole).href : null
}

export const crawlFrom = (start: string, rest: Partial<CrawlRequest> = {}): GatherSource => ({
  kind: 'crawl',
  request: { from: { kind: 'url', start }, site: null, ...rest },
})

/** The source of a run that is kept, to gather it again. null for files: the browser has to be given them anew. */
export function sourceOfRun(run: StoredRun): GatherSource | null {
  const { kind, location, site } = run.source
  const rest = { site, ignoreRobots: run.view === 'launched' }
  if (kind === 'url') return crawlFrom(location, rest)
  if (kind === 'sitemap') return { kind: 'crawl', request: { from: { kind: 'sitemap', address: location }, ...rest } }
  return null
}

/** Where a source is, in a few words. */
export function sourceName(source: GatherSource): string {
  if (source.kind !== 'crawl') return source.name
  const { from } = source.request
  if (from.kind === 'url') return from.start
  return from.kind === 'sitemap' ? from.address : `${from.addresses.length} addresses`
}
