'use client'

import type { RefObject } from 'react'
import type { WallRow } from '@/store/database'
import type { Action } from '../../state/keys/keys'
import { draftField, typeInto } from '../../state/keys/type-ahead'
import { useKeys } from '../../state/keys/use-keys'
import { digitOfCode, surfaceOfKey } from '../../state/surface/surface-keys'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import { parseView } from '../../state/view/view'
import { toggleSelected } from '../../state/wall/selection'

type Wall = {
  shown: WallRow[]
  columns: number
  goTo: GoTo
  searchField: RefObject<HTMLInputElement | null>
}

/** How far an action moves the choice; null for one that doesn't move. */
export function stepOf(action: Action, columns: number): number | null {
  switch (action) {
    case 'left':
      return -1
    case 'right':
      return 1
    case 'up':
      return -columns
    case 'down':
      return columns
    default:
      return null
  }
}

/** Index after a step: it stays on the wall. Without a choice the first card is chosen. */
export function indexAfter(index: number, step: number, length: number): number {
  if (index < 0) return 0
  const next = index + step
  return next < 0 || next >= length ? index : next
}

/** Keys of the wall: moving, opening, surfaces, search. */
export function useWallKeys({ shown, columns, goTo, searchField }: Wall): void {
  const surfaces = useSurfaces()
  useKeys((action, event) => {
    // The address is ahead of what is drawn while keys come faster than drawings.
    const view = parseView(window.location.pathname, window.location.search)
    if (view.area !== 'wall') return false
    const step = stepOf(action, columns)
    const digit = action === 'beside' ? digitOfCode(event.code) : event.key
    const surface = digit === null ? undefined : surfaceOfKey(digit, surfaces)
    const index = shown.findIndex(({ path }) => path === view.page)
    const chosen = shown[index]
    const isOnControl = (event.target as HTMLElement).closest('button, a') !== null
    if (step !== null && shown.length > 0) {
      // The choice moves: Enter is for the card from here on, and not for the link or button that was pressed before.
      if (isOnControl) (document.activeElement as HTMLElement | null)?.blur()
      goTo({ page: shown[indexAfter(index, step, shown.length)]!.path }, 'replace')
    } else if (action === 'beside' && surface)
      goTo({ beside: surface.id === view.beside ? null : surface.id }, 'replace')
    else if (action === 'surface' && surface) goTo({ surface: surface.id }, 'replace')
    else if (action === 'open' && chosen && !isOnControl) goTo({ area: 'page', page: chosen.path })
    else if (action === 'select' && chosen) toggleSelected(chosen.run, chosen.url)
    else if (action === 'draft' && chosen) {
      goTo({ area: 'page', page: chosen.path, pane: 'draft' })
      // The page is read first; a title may be typed at once.
      typeInto(draftField)
    } else if (action === 'back' && chosen) goTo({ page: null }, 'replace')
    else if (action === 'search') searchField.current?.focus()
    else return false
    return true
  })
}
