'use client'

import { type RefObject, useLayoutEffect } from 'react'
import type { WallRow } from '@/store/database'
import { isTyping } from '../../state/keys/heard'
import { digitOfCode, surfaceOfKey } from '../../state/surface/surface-keys'
import type { GoTo } from '../../state/view/use-view'
import { parseView } from '../../state/view/view'
import { toggleSelected } from '../../state/wall/selection'

type Wall = {
  shown: WallRow[]
  columns: number
  goTo: GoTo
  searchField: RefObject<HTMLInputElement | null>
}

/** How far a key moves the choice; null for a key that doesn't move. */
export function stepOf(key: string, columns: number): number | null {
  switch (key) {
    case 'ArrowLeft':
    case 'h':
      return -1
    case 'ArrowRight':
    case 'l':
      return 1
    case 'ArrowUp':
    case 'k':
      return -columns
    case 'ArrowDown':
    case 'j':
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
  // Before the wall is painted: a key that answers what is seen has to be heard.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.metaKey || event.ctrlKey || event.altKey) return
      // The address is ahead of what is drawn while keys come faster than drawings.
      const view = parseView(window.location.pathname, window.location.search)
      if (view.area !== 'wall' || event.defaultPrevented) return
      const step = stepOf(event.key, columns)
      const digit = event.shiftKey ? digitOfCode(event.code) : null
      const beside = digit === null ? undefined : surfaceOfKey(digit)
      const surface = surfaceOfKey(event.key)
      const index = shown.findIndex(({ path }) => path === view.page)
      const chosen = shown[index]
      const isOnControl = (event.target as HTMLElement).closest('button, a') !== null
      if (step !== null && shown.length > 0) {
        // The choice moves: Enter is for the card from here on, and not for the link or button that was pressed before.
        if (isOnControl) (document.activeElement as HTMLElement | null)?.blur()
        goTo({ page: shown[indexAfter(index, step, shown.length)]!.path }, 'replace')
      } else if (beside) goTo({ beside: beside.id === view.beside ? null : beside.id }, 'replace')
      else if (surface) goTo({ surface: surface.id }, 'replace')
      else if (event.key === 'Enter' && chosen && !isOnControl) goTo({ area: 'page', page: chosen.path })
      else if (event.key === 'x' && chosen) toggleSelected(chosen.run, chosen.url)
      else if (event.key === 'e' && chosen) goTo({ area: 'page', page: chosen.path, pane: 'draft' })
      else if (event.key === 'Escape' && chosen) goTo({ page: null }, 'replace')
      else if (event.key === '/') searchField.current?.focus()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [shown, columns, goTo, searchField])
}
