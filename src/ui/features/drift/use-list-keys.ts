'use client'

import type { Action } from '../../state/keys/keys'
import { useKeys } from '../../state/keys/use-keys'
import { surfaceOfKey } from '../../state/surface/surface-keys'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'

type Keys = {
  length: number
  /** Index of the chosen line; −1 for none. */
  at: number
  onMove: (index: number) => void
  goTo: GoTo
  /** What further keys do. */
  acts?: Readonly<Partial<Record<Action, () => void>>>
}

/** J, K and the arrows move along a list, digits choose surfaces, further keys do what they are given for. */
export function useListKeys({ length, at, onMove, goTo, acts }: Keys): void {
  const surfaces = useSurfaces()
  useKeys((action, event) => {
    const isOnTab = (event.target as HTMLElement).closest('[role="tablist"], [role="radiogroup"]') !== null
    const isMove = (action === 'down' || action === 'up') && !(isOnTab && event.key.startsWith('Arrow'))
    const surface = surfaceOfKey(event.key, surfaces)
    const act = acts?.[action]
    if (isMove) {
      const next = at < 0 ? 0 : at + (action === 'down' ? 1 : -1)
      if (next >= 0 && next < length) onMove(next)
    } else if (surface) goTo({ surface: surface.id }, 'replace')
    else if (act) act()
    else return false
    return true
  })
}
