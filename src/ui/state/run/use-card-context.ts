'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { cardContextOf } from '@/core/check'
import type { AccessMode } from '@/core/model'
import type { CardContext } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imagesOf } from '@/store/images'

/** What cards of a run depend on: its pictures, its robots.txt, its addresses. Undefined until it is read. */
export function useCardContext(run: StoredRun | null, as: AccessMode | null = null): CardContext | undefined {
  const id = run?.id ?? null
  const images = useLiveQuery(async () => (id === null ? undefined : imagesOf(id)), [id])
  return useMemo(() => {
    if (!run || !images) return undefined
    return cardContextOf(as ? { ...run, view: as } : run, images)
  }, [run, images, as])
}
