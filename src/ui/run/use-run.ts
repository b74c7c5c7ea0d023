'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { database, type StoredPage, type StoredRun, type WallRow } from '@/store/database'
import { listRuns } from '@/store/runs'

/** A value that is read from storage: not there yet, not there at all, or there. */
export type Loaded<T> = { kind: 'loading' } | { kind: 'missing' } | { kind: 'ready'; value: T }

const loaded = <T>(value: T | null | undefined, isRead: boolean): Loaded<T> => {
  if (!isRead) return { kind: 'loading' }
  return value === null || value === undefined ? { kind: 'missing' } : { kind: 'ready', value }
}

export function useRuns(): StoredRun[] | undefined {
  return useLiveQuery(listRuns)
}

export function useRun(id: string | null): Loaded<StoredRun> {
  const found = useLiveQuery(async () => ({ run: id === null ? null : await database.runs.get(id) }), [id])
  return loaded(found?.run, found !== undefined)
}

/** Rows of a run in the order in which pages were found. */
export function useRows(id: string | null): WallRow[] | undefined {
  return useLiveQuery(async () => {
    if (id === null) return []
    const rows = await database.rows.where('run').equals(id).toArray()
    return rows.sort((a, b) => a.order - b.order)
  }, [id])
}

export function useStoredPage(run: string | null, url: string | null): Loaded<StoredPage> {
  const found = useLiveQuery(
    async () => ({ page: run === null || url === null ? null : await database.pages.get([run, url]) }),
    [run, url],
  )
  return loaded(found?.page, found !== undefined)
}
