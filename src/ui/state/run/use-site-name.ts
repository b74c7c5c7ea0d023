'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { nameOfSite } from '@/core/check'
import { pagesAt } from '@/store/pages'
import { rowsOf } from '@/store/rows'

/** Pages that are read for it, evenly over the run: a name that most pages have is on most of these. */
const SAMPLE = 80

/** What a run's pages call their site; null where they say nothing, undefined while they are read. */
export function useSiteName(run: string): string | null | undefined {
  const found = useLiveQuery(async () => {
    const rows = await rowsOf(run)
    const step = Math.max(1, rows.length / SAMPLE)
    const urls = Array.from(
      { length: Math.min(SAMPLE, rows.length) },
      (_, index) => rows[Math.floor(index * step)]!.url,
    )
    const pages = await pagesAt(run, urls)
    return { name: nameOfSite(pages.flatMap((stored) => stored?.page ?? [])) }
  }, [run])
  return found?.name
}
