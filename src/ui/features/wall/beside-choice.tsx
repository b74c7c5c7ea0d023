'use client'

import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'

/** Puts the cards of a second surface beside those of the first. */
export function BesideChoice({ view, goTo }: { view: RouteState; goTo: GoTo }) {
  const surfaces = useSurfaces()
  return (
    <label
      className="flex items-center gap-[5px] text-small text-quiet"
      title="Shift and the key of a surface does the same."
    >
      Beside
      <select
        value={view.beside ?? ''}
        onChange={(event) => goTo({ beside: event.target.value || null }, 'replace')}
        className="h-[27px] max-w-[108px] rounded-[6px] border border-line bg-sheet px-1 text-small text-ink"
      >
        <option value="">nothing</option>
        {surfaces
          .filter(({ id }) => id !== view.surface)
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </select>
    </label>
  )
}
