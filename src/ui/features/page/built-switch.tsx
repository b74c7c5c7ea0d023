'use client'

import { clsx } from 'clsx'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'

const SIDES = [
  { isBuilt: true, name: 'Built' },
  { isBuilt: false, name: 'With draft' },
]

/** Cards as the build has them, or with the page's draft. */
export function BuiltSwitch({ view, goTo }: { view: RouteState; goTo: GoTo }) {
  return (
    <fieldset className="flex rounded-[6px] border border-line bg-sheet p-[2px]">
      <legend className="sr-only">Which texts the cards are made of</legend>
      {SIDES.map(({ isBuilt, name }) => (
        <button
          key={name}
          type="button"
          aria-pressed={view.isBuilt === isBuilt}
          onClick={() => goTo({ isBuilt }, 'replace')}
          className={clsx(
            'h-[21px] whitespace-nowrap rounded-[4px] px-[7px] text-[12px]',
            view.isBuilt === isBuilt ? 'bg-soft font-semibold' : 'text-quiet hover:text-ink',
          )}
        >
          {name}
        </button>
      ))}
    </fieldset>
  )
}
