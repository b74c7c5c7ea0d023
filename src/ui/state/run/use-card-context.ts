'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { cardContextOf } from '@/core/check'
import type { AccessMode } from '@/core/model'
import type { CardContext } from '@/core/surface'
import { database, type StoredRun } from '@/store/database'

/** What cards of a run depend on: its pictures, its robots.txt, its addresses. Undefined until it is read. */
export function useCardContext(run: StoredRun | null, as: AccessMode | null = null): CardContext | undefined {
  const id = run?.id ?? null
  const images = useLiveQuery(
    async () => (id === null ? undefined : database.images.where('run').equals(id).toArray()),
    [id],
  )
  return useMemo(() => {
    if (!run || !images) return undefined
    return cardContextOf(as ? { ...run, view: as } : run, new Map(images.map(({ url, image }) => [url, image])))
  }, [run, images, as])
}
