'use client'

import { useMemo } from 'react'
import { cardOf, type Face, faceOf, type Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { useCardContext } from '../../state/run/use-card-context'
import { useStoredPage } from '../../state/run/use-run'

/** A card whose text and picture are of different versions. The room that the text has is the picture's. */
export function mixedFace(text: Face, picture: Face): Face {
  if (text === picture) return text
  const { layout, image, ratio, pictureFault } = picture
  return { ...text, layout, image, ratio, pictureFault }
}

/** What a surface shows for a page of a run; null until it is read, and where the run has no such page. */
export function useFace(run: StoredRun | null, page: string | null, surface: Surface): Face | null {
  const stored = useStoredPage(page === null ? null : (run?.id ?? null), page)
  const context = useCardContext(run)
  const found = stored.kind === 'ready' ? stored.value.page : null
  return useMemo(
    () => (found && context ? faceOf(cardOf(found, surface, context), surface) : null),
    [found, context, surface],
  )
}
