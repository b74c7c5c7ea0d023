'use client'

import { useState } from 'react'

/** Ticks of every axis. */
export const AXIS = { fontSize: 11, fill: 'var(--quiet)' }

type Props = { name: string; about?: string; table: () => React.ReactNode; children: React.ReactNode }

/** A chart with its name; the same as a table at a button's press, for keyboards and screen readers. */
export function ChartFigure({ name, about, table, children }: Props) {
  const [isTable, setIsTable] = useState(false)
  return (
    <figure>
      <figcaption className="mb-1 flex items-baseline gap-3">
        <b className="font-semibold">{name}</b>
        {about && <span className="text-small text-quiet">{about}</span>}
        <button
          type="button"
          className="ml-auto text-small text-pick hover:underline"
          onClick={() => setIsTable(!isTable)}
        >
          {isTable ? 'As a chart' : 'As a table'}
        </button>
      </figcaption>
      {isTable ? table() : children}
    </figure>
  )
}
