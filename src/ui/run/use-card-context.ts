'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { cardContextOf } from '@/core/check/context'
import type { View } from '@/core/model'
import type { CardContext } from '@/core/surface/card'
import { database, type StoredRun } from '@/store/database'

/** What cards of a run depend on: its pictures, its robots.txt, its addresses. Undefined until it is read. */
export function useCardContext(run: StoredRun, as: View | null = null): CardContext | undefined {
  const images = useLiveQuery(() => database.images.where('run').equals(run.id).toArray(), [run.id])
  return useMemo(
    () =>
      images && cardContextOf(as ? { ...run, view: as } : run, new Map(images.map(({ url, image }) => [url, image]))),
    [run, images, as],
  )
}
