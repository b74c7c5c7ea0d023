'use client'

import { useMemo, useState } from 'react'
import { chartMarks, type PageLengths } from '@/core/cause'
import type { WallRow } from '@/store/database'
import type { GoTo } from '../../state/view/use-view'
import { Histogram } from './histogram'
import { PageLinks } from './page-links'

type Range = { from: number; to: number } | null

/** How long titles and descriptions are, in characters as places count them. */
export function LengthsChart({ lengths, rows, goTo }: { lengths: PageLengths[]; rows: WallRow[]; goTo: GoTo }) {
  const [titles, setTitles] = useState<Range>(null)
  const [descriptions, setDescriptions] = useState<Range>(null)
  const valuesOf = (field: 'title' | 'description') =>
    lengths.flatMap(({ url, [field]: value }) => (value === null ? [] : [{ url, value }]))
  const chosen = useMemo(() => {
    const isIn = (value: number | null, range: Range) =>
      range === null || (value !== null && value >= range.from && value < range.to)
    return lengths
      .filter(({ title, description }) => isIn(title, titles) && isIn(description, descriptions))
      .map(({ url }) => url)
  }, [lengths, titles, descriptions])
  const characters = (value: number) => String(value)
  return (
    <div className="grid gap-5">
      <Histogram
        name="Titles, characters"
        values={valuesOf('title')}
        step={5}
        most={120}
        marks={chartMarks.title}
        written={characters}
        onRange={setTitles}
      />
      <Histogram
        name="Descriptions, characters"
        values={valuesOf('description')}
        step={10}
        most={320}
        marks={chartMarks.description}
        written={characters}
        onRange={setDescriptions}
      />
      <PageLinks
        urls={chosen}
        rows={rows}
        about={
          titles || descriptions
            ? 'in the chosen range.'
            : 'in all; draw the handles below a chart to narrow them down.'
        }
        goTo={goTo}
      />
    </div>
  )
}
