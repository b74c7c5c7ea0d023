'use client'

import { useLayoutEffect } from 'react'
import { isTyping } from '../../state/keys/heard'
import { surfaceOfKey } from '../../state/surface/surface-keys'
import type { GoTo } from '../../state/view/use-view'

type Keys = {
  length: number
  /** Index of the chosen line; −1 for none. */
  at: number
  onMove: (index: number) => void
  goTo: GoTo
  /** What single letters do, in lower case. */
  letters?: Readonly<Record<string, () => void>>
}

/** J, K and the arrows move along a list, digits choose surfaces, letters do what they are given for. */
export function useListKeys({ length, at, onMove, goTo, letters }: Keys): void {
  // Before the list is painted: a key that answers what is seen must not be heard by what was there before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.metaKey || event.ctrlKey || event.altKey || event.defaultPrevented) return
      const isOnTab = (event.target as HTMLElement).closest('[role="tablist"], [role="radiogroup"]') !== null
      const step =
        event.key === 'j' || (event.key === 'ArrowDown' && !isOnTab)
          ? 1
          : event.key === 'k' || (event.key === 'ArrowUp' && !isOnTab)
            ? -1
            : 0
      const surface = surfaceOfKey(event.key)
      const act = letters?.[event.key]
      if (step !== 0) {
        const next = at < 0 ? 0 : at + step
        if (next >= 0 && next < length) onMove(next)
      } else if (surface) goTo({ surface: surface.id }, 'replace')
      else if (act) act()
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [length, at, onMove, goTo, letters])
}
