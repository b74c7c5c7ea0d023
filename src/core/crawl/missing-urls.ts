import type { GatheredPage, Linkers, MissingUrl, SourceKind, Survey } from '../model'

/** Answers that say that there is nothing at a URL. */
const NOT_THERE: ReadonlySet<number> = new Set([404, 410])

/**
 * Takes out of a run's pages what is none: URLs that something of the site names and that are not there. A URL that
 * the user gave, and that nothing else names, stays a page with its answer.
 */
export function withoutMissing(
  pages: readonly GatheredPage[],
  kind: SourceKind,
): { pages: GatheredPage[]; missing: MissingUrl[] } {
  const isBuild = kind === 'folder' || kind === 'zip'
  const there: GatheredPage[] = []
  // What stands under another form of a page's URL is that page's.
  const pageOf = new Map(pages.flatMap(({ url, fetch }) => fetch.aliases.map((alias) => [alias, url] as const)))
  const placed = ({ count, first }: Linkers): Linkers => ({
    count,
    first: first.map((place) => ({ ...place, page: pageOf.get(place.page) ?? place.page })),
  })
  const missing: MissingUrl[] = []
  for (const page of pages) {
    const { status, linkers } = page.fetch
    if (status !== null && NOT_THERE.has(status) && linkers && linkers.count > 0)
      missing.push({ url: page.url, status: isBuild ? null : status, linkers: placed(linkers) })
    else there.push(page)
  }
  return { pages: there, missing: missing.sort((a, b) => (a.url < b.url ? -1 : 1)) }
}

/** What was noted beside the pages, with what is missing. */
export function surveyWith(survey: Survey | undefined, missing: readonly MissingUrl[]): Survey | undefined {
  if (missing.length === 0) return survey
  const empty: Survey = { sitemaps: null, onStaging: [], unlinked: null, dead: [] }
  return { ...(survey ?? empty), missing: [...missing] }
}
