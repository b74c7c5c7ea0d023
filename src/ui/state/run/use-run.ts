'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useRef, useState } from 'react'
import type { StoredPage, StoredRun, WallRow } from '@/store/database'
import { readStoredPage } from '@/store/pages'
import { newestRows } from '@/store/rows'
import { listRuns, runAt } from '@/store/runs'
import { readRows, rowsOnce } from './rows-once'

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
  const found = useLiveQuery(async () => ({ run: id === null ? null : await runAt(id) }), [id])
  return loaded(found?.run, found !== undefined)
}

/**
 * Rows of a run in the order in which pages were found; undefined until they are read.
 * @param prepare works out of many rows what would make drawing them one long task
 */
export function useRows(
  id: string | null,
  prepare?: (rows: readonly WallRow[]) => Promise<void>,
): WallRow[] | undefined {
  // The run is written to after its rows: when it changes, they have.
  const touchedAt = useLiveQuery(async () => (id === null ? null : ((await runAt(id))?.touchedAt ?? null)), [id])
  const [held, setHeld] = useState<{ id: string | null; rows: WallRow[] }>()
  const [fault, setFault] = useState<unknown>()
  const latest = useRef(prepare)
  latest.current = prepare
  useEffect(() => {
    let isGone = false
    if (touchedAt === undefined) return
    if (id === null || touchedAt === null) setHeld({ id, rows: [] })
    else
      void rowsOnce(id, touchedAt)
        // Broken off for another run that somebody else asked for.
        .then((rows) => rows ?? readRows(id, () => isGone))
        .then(async (rows) => {
          if (rows && !isGone) await latest.current?.(rows)
          return rows
        })
        .then(
          (rows) => rows && !isGone && setHeld({ id, rows }),
          (error: unknown) => !isGone && setFault(error),
        )
    return () => {
      isGone = true
    }
  }, [id, touchedAt])
  // The area that asked says so: it would wait for ever.
  if (fault !== undefined) throw fault
  return held && held.id === id ? held.rows : undefined
}

/** The rows found last, newest first. */
export function useNewestRows(id: string, most: number): WallRow[] {
  const rows = useLiveQuery(() => newestRows(id, most), [id, most])
  return rows ?? []
}

export function useStoredPage(run: string | null, url: string | null): Loaded<StoredPage> {
  const found = useLiveQuery(
    async () => ({ page: run === null || url === null ? null : ((await readStoredPage(run, url)) ?? null) }),
    [run, url],
  )
  return loaded(found?.page, found !== undefined)
}
