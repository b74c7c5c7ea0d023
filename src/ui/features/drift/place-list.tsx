'use client'

import { clsx } from 'clsx'
import { SurfaceShape } from '../../parts/surface-shape'
import type { Place } from './use-held'

type Props = { places: readonly Place[]; chosen: string; onChoose: (id: string) => void }

/** Places that hold copies, with how many of them are out of date. */
export function PlaceList({ places, chosen, onChoose }: Props) {
  return (
    <section
      aria-label="Places"
      className="min-h-0 overflow-auto border-r border-line px-2 py-3 max-md:max-h-[40vh] max-md:border-b"
    >
      <ul>
        {places.map(({ surface, list }) => {
          const done = list.entries.filter(({ state }) => state === 'done').length
          const open = list.entries.length - done
          return (
            <li key={surface.id}>
              <button
                type="button"
                aria-pressed={surface.id === chosen}
                onClick={() => onChoose(surface.id)}
                className={clsx(
                  'grid w-full grid-cols-[44px_minmax(0,1fr)_auto] items-center gap-x-2 rounded-card border px-2 py-[6px] text-left',
                  surface.id === chosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
                )}
              >
                <span className={clsx('grid place-items-center', surface.id !== chosen && 'opacity-60')}>
                  <SurfaceShape surface={surface} />
                </span>
                <span className="min-w-0">
                  <b className="block truncate font-semibold">{surface.name}</b>
                  <span className="block truncate text-fine text-quiet">
                    holds about {surface.holding.days.value} {surface.holding.days.value === 1 ? 'day' : 'days'}
                  </span>
                </span>
                <span className="text-right tabular-nums">
                  <b className="font-semibold">{open}</b>
                  <span className="sr-only"> out of date</span>
                  {done > 0 && <span className="block text-fine text-good">✓ {done}</span>}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
