'use client'

import { clsx } from 'clsx'
import { surfaces } from '@/core/surface/profiles'
import type { GoTo } from '../view/use-view'
import type { View } from '../view/view'
import { SurfaceShape } from './surface-shape'

/** Surfaces as small shapes of their geometry, with the key that chooses each. */
export function SurfaceBar({ view, goTo }: { view: View; goTo: GoTo }) {
  return (
    <div role="radiogroup" aria-label="Surface" className="flex gap-1">
      {surfaces.map((surface, index) => {
        const isChosen = surface.id === view.surface
        return (
          // biome-ignore lint/a11y/useSemanticElements: drawn as a shape; keys are handled by the wall
          <button
            key={surface.id}
            type="button"
            role="radio"
            aria-checked={isChosen}
            title={`${surface.about}${surface.token ? ` Its crawler: ${surface.token}.` : ''}`}
            onClick={() => goTo({ surface: surface.id }, 'replace')}
            className={clsx(
              'flex items-center gap-[10px] rounded-card border px-3 py-[7px]',
              isChosen ? 'border-ink bg-sheet' : 'border-transparent text-quiet hover:bg-sheet/60',
            )}
          >
            <SurfaceShape id={surface.id} />
            <span className="text-left leading-tight">
              <span className={clsx('block', isChosen && 'font-semibold text-ink')}>{surface.name}</span>
              <span className="block text-[11px] text-quiet">key {index + 1}</span>
            </span>
          </button>
        )
      })}
    </div>
  )
}
