'use client'

import { clsx } from 'clsx'
import { memo, useMemo } from 'react'
import type { WallRow } from '@/store/database'

/** Ticks that fit into the strip; more pages share a tick. */
const MAX_TICKS = 54
/** From so many on they stand closer: the strip is no wider for them. */
const NARROW_FROM = 40

const STATES = ['error', 'warning', 'clear'] as const
type State = (typeof STATES)[number]

/** Height says the state, so that it can be read without colour. */
const LOOK: Record<State, string> = {
  error: 'h-[15px] bg-wrong',
  warning: 'h-[10px] bg-warn-tick',
  clear: 'h-[5px] bg-good/60',
}

const NAME: Record<State, string> = { error: 'with errors', warning: 'with warnings', clear: 'clear' }

function stateOf(row: WallRow): State {
  return row.levels.error > 0 ? 'error' : row.levels.warning > 0 ? 'warning' : 'clear'
}

/** Pages in the order found, put together where there are more than ticks; the worst page of a tick stands for it. */
export function ticksOf(rows: readonly WallRow[], most = MAX_TICKS): { worst: WallRow; rows: readonly WallRow[] }[] {
  const perTick = Math.max(1, Math.ceil(rows.length / most))
  const ticks: { worst: WallRow; rows: readonly WallRow[] }[] = []
  for (let index = 0; index < rows.length; index += perTick) {
    const part = rows.slice(index, index + perTick)
    const weight = (row: WallRow) => row.levels.error * 1000 + row.levels.warning
    ticks.push({ worst: part.reduce((a, b) => (weight(b) > weight(a) ? b : a)), rows: part })
  }
  return ticks
}

/** One tick a page. For the mouse: keyboard and screen readers have the grid. */
export const TickStrip = memo(function TickStrip({
  rows,
  chosen,
  onChoose,
}: {
  rows: WallRow[]
  chosen: string | null
  onChoose: (row: WallRow) => void
}) {
  const label = useMemo(() => {
    const counts: Record<State, number> = { error: 0, warning: 0, clear: 0 }
    for (const row of rows) counts[stateOf(row)]++
    return STATES.flatMap((state) => (counts[state] > 0 ? [`${counts[state]} ${NAME[state]}`] : [])).join(', ')
  }, [rows])
  const ticks = useMemo(() => ticksOf(rows), [rows])
  return (
    <div
      role="img"
      aria-label={label}
      className={clsx('flex h-[25px] items-end px-2 pb-[8px]', ticks.length > NARROW_FROM ? 'gap-px' : 'gap-[2px]')}
    >
      {ticks.map(({ worst, rows: ofTick }) => {
        const state = stateOf(worst)
        const isChosen = chosen !== null && ofTick.some((row) => row.path === chosen)
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions lint/a11y/useKeyWithClickEvents: a shortcut for the mouse; the grid holds the same pages for the keyboard
          <span
            key={worst.url}
            title={ofTick.length > 1 ? `${ofTick.length} pages, worst: ${worst.path}` : worst.path}
            onClick={() => onChoose(worst)}
            className={clsx(
              'min-w-[2px] max-w-[6px] flex-1 cursor-pointer rounded-[1px] hover:opacity-70',
              LOOK[state],
              isChosen && 'outline-2 outline-offset-1 outline-pick',
            )}
          />
        )
      })}
    </div>
  )
})
