'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { type SiteCalled, siteCalled } from '@/core/check'
import { groupBy } from '@/core/text'
import type { StoredRun } from '@/store/database'
import { pagesAt } from '@/store/pages'
import { sampledRows } from '@/store/rows'

/** Pages of a section that are read for it, evenly over it: a name that most pages have is on most of these. */
const SAMPLE = 24
/** Pages that are read in all; where there are many sections, fewer of each. */
const MOST = 400

/** Rows that are looked through for sections: those of a large run are more than is worth reading for it. */
const ROWS = 4000

/** What the pages of runs call their site, as far as they were gathered then. */
const known = new Map<string, Promise<SiteCalled>>()

async function readCalled(run: string): Promise<SiteCalled> {
  const sections = groupBy(await sampledRows(run, ROWS), ({ section }) => section)
  const share = Math.max(4, Math.min(SAMPLE, Math.floor(MOST / Math.max(1, sections.size))))
  const urls = [...sections.values()]
    .flatMap((rows) => {
      const step = Math.max(1, rows.length / share)
      return Array.from({ length: Math.min(share, rows.length) }, (_, index) => rows[Math.floor(index * step)]!.url)
    })
    .slice(0, MOST)
  const sectionOf = new Map([...sections].flatMap(([section, rows]) => rows.map(({ url }) => [url, section])))
  const pages = await pagesAt(run, urls)
  return siteCalled(
    pages.flatMap((stored) => stored?.page ?? []),
    (url) => sectionOf.get(url) ?? '/',
  )
}

/** What a run's pages call their site and its sections; undefined while they are read. */
export function useSiteCalled(run: StoredRun | null): SiteCalled | undefined {
  const { id, state, touchedAt, pages = 0 } = run ?? {}
  // While pages come it is asked again whenever they have doubled, not with each that is written.
  const grown = state === 'running' ? `${Math.floor(Math.log2(pages + 1))} so far` : touchedAt
  return useLiveQuery(() => {
    if (id === undefined) return undefined
    const key = `${id} ${grown}`
    const before = known.get(key)
    if (before) return before
    const found = readCalled(id)
    known.set(key, found)
    // What could not be read once may be the next time.
    found.catch(() => known.delete(key))
    return found
  }, [id, grown])
}
