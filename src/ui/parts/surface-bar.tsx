'use client'

import { clsx } from 'clsx'
import { ToggleGroup } from 'radix-ui'
import { keyOfSurface } from '../state/surface/surface-keys'
import { useSurfaces } from '../state/surface/use-surfaces'
import type { GoTo } from '../state/view/use-view'
import type { RouteState } from '../state/view/view'
import { SurfaceShape } from './surface-shape'

/** Surfaces as small shapes of their geometry, each with its name and the key that chooses it. */
export function SurfaceBar({
  view,
  goTo,
  marked,
}: {
  view: Pick<RouteState, 'surface' | 'beside'>
  goTo: GoTo
  /** Surfaces that get a sign, and what it says. */
  marked?: { ids: ReadonlySet<string>; says: string }
}) {
  const surfaces = useSurfaces()
  return (
    <ToggleGroup.Root
      type="single"
      role="radiogroup"
      aria-label="Surface"
      value={view.surface}
      onValueChange={(surface) => surface !== '' && goTo({ surface }, 'replace')}
      className="flex w-full gap-[2px] max-md:overflow-x-auto"
    >
      {surfaces.map((surface, index) => {
        const isChosen = surface.id === view.surface
        const isBeside = surface.id === view.beside && !isChosen
        return (
          <ToggleGroup.Item
            key={surface.id}
            value={surface.id}
            aria-label={marked?.ids.has(surface.id) ? `${surface.name}, ${marked.says}` : surface.name}
            title={`${surface.about}${surface.token ? ` Its crawler: ${surface.token}.` : ''}`}
            className={clsx(
              'relative flex min-w-[62px] flex-1 flex-col items-center gap-[3px] rounded-card border px-[3px] pb-[4px] pt-[6px]',
              isChosen
                ? 'border-ink bg-sheet'
                : isBeside
                  ? 'border-dashed border-ink bg-sheet'
                  : 'border-transparent text-quiet hover:bg-sheet/60',
            )}
          >
            {marked?.ids.has(surface.id) && (
              <span aria-hidden="true" className="absolute left-[6px] top-[2px] text-fine font-bold leading-none">
                ≠
              </span>
            )}
            <SurfaceShape surface={surface} />
            <kbd className="absolute right-[5px] top-[3px] text-sign leading-none text-quiet">
              {keyOfSurface(index)}
            </kbd>
            <span className={clsx('text-center text-fine leading-[12.5px]', isChosen && 'font-semibold text-ink')}>
              {surface.name}
            </span>
          </ToggleGroup.Item>
        )
      })}
    </ToggleGroup.Root>
  )
}
