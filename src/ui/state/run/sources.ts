import { isNamedSite } from '@/core/address'
import type { CrawlRequest, StartedWith } from '@/core/crawl'
import type { StoredRun } from '@/store/database'
import { canResume } from '@/store/runs'
import type { GatherSource } from '@/workers/protocol'

/** `localhost:3000` is meant as http; anything else without a scheme as https. null for what is no address. */
export function completeAddress(typed: string): string | null {
  const text = typed.trim()
  if (text === '') return null
  const isLocal = /^(?:localhost|127\.|10\.|192\.168\.|\[::1\])/i.test(text)
  const whole = /^[a-z][a-z0-9+.-]*:\/\//i.test(text) ? text : `${isLocal ? 'http' : 'https'}://${text}`
  return URL.canParse(whole) && /^https?:$/.test(new URL(whole).protocol) ? new URL(whole).href : null
}

/** A host as people write it without a scheme, and what may follow it. */
const HOST_FIRST = /^(?:localhost|\[[0-9a-f:]+\]|[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+)(?::\d+)?(?:[/?#]|$)/iu
/** What stands in no address as it is written: a line with any of it is a sentence, or a row of a table. */
const NOT_IN_ADDRESS = /[\s"<>]/

/** The address that a line of a list is; null for any other line. */
export function listedAddress(line: string): string | null {
  const text = line.trim()
  const hasScheme = /^https?:\/\//i.test(text)
  return NOT_IN_ADDRESS.test(text) || !(hasScheme || HOST_FIRST.test(text)) ? null : completeAddress(text)
}

export const crawlFrom = (start: string, rest: Partial<CrawlRequest> = {}): GatherSource => ({
  kind: 'crawl',
  request: { from: { kind: 'url', start }, site: null, ...rest },
})

/** The production URL that somebody gave; one that was inferred is inferred again, since the pages may say more by now. */
export const siteToKeep = ({ site, siteFrom }: StoredRun['source']): string | null =>
  siteFrom !== undefined || !isNamedSite(site) ? null : site

/** The source of a run that is kept, to gather it again. null for files: the browser has to be given them again. */
export function sourceOfRun(run: StoredRun): GatherSource | null {
  const { kind, location } = run.source
  const site = siteToKeep(run.source)
  // With the bounds that it had: else more would seem to have come than did.
  const { from, ...bounds } = run.request ?? {}
  const rest = { ...bounds, site, ignoreRobots: run.view === 'launched' }
  if (kind === 'url') return crawlFrom(location, rest)
  if (kind !== 'sitemap') return null
  const sitemap = from?.kind === 'sitemap' ? from : { kind, address: location }
  return { kind: 'crawl', request: { ...rest, from: sitemap } }
}

/** The source of a run as it can be gathered again without asking for files; null where they have to be given. */
export function sourceAgain(run: StoredRun, startedWith: StartedWith | null): GatherSource | null {
  const { kind, location } = run.source
  const site = siteToKeep(run.source)
  const isServed = startedWith !== null && startedWith.kind === kind && startedWith.name === location
  return isServed ? { kind: 'served', of: startedWith.kind, name: location, site } : sourceOfRun(run)
}

/** The source of a run that goes on where it was broken off; null where it can't. */
/**
 * Must a login be given before the run is asked for again? What somebody saw who was let in is not what others see. A run
 * that was broken off has no notes yet, and one of before that was kept has nothing else.
 */
export const wantsLogin = (run: StoredRun, source: GatherSource): boolean =>
  source.kind === 'crawl' &&
  !source.request.login &&
  (run.withLogin === true || run.notes.some(({ kind }) => kind === 'login-passed'))

export function sourceToResume(run: StoredRun): GatherSource | null {
  if (!canResume(run)) return null
  const { request, source } = run
  if (!request) return sourceOfRun(run)
  // The production address of a crawl may have been taken from the start page: it stays the same.
  if (request.from.kind === 'list') return { kind: 'crawl', request, isRest: true }
  return { kind: 'crawl', request: source.kind === 'url' ? { ...request, site: source.site } : request }
}

/** The folder or zip that a run's pages were read from; null where they were asked for. */
export function filesOf({
  kind,
  location,
  build,
}: StoredRun['source']): { kind: 'folder' | 'zip'; name: string } | null {
  if (kind === 'folder' || kind === 'zip') return { kind, name: location }
  if (build === undefined) return null
  return { kind: /\.zip$/i.test(build) ? 'zip' : 'folder', name: build }
}

/** Can a run be begun with it? */
export const isWhole = (source: GatherSource) => source.kind !== 'crawl' || !source.isRest

/** The address that a source has the server ask first; null for files. */
export function addressAsked(source: GatherSource): string | null {
  if (source.kind !== 'crawl') return null
  const { from } = source.request
  return from.kind === 'url' ? from.start : from.kind === 'sitemap' ? from.address : (from.addresses[0] ?? null)
}

/** Where a source is, in a few words. */
export function sourceName(source: GatherSource): string {
  if (source.kind !== 'crawl') return source.name
  const { from } = source.request
  if (from.kind === 'url') return from.start
  return from.kind === 'sitemap' ? from.address : (from.name ?? `${from.addresses.length} addresses`)
}
