'use client'

import type { Finding } from '@/core/model'
import type { Card } from '@/core/surface/card-model'
import type { Surface } from '@/core/surface/profile'
import { FindingsView } from '../ladder/findings-view'
import { LadderView } from '../ladder/ladder-view'
import { count } from '../shared/words'
import type { Spot } from './lit'

type Props = { surface: Surface; card: Card; findings: Finding[]; lit: Spot | null; onLit: (spot: Spot | null) => void }

/** What is wrong with the page, and the ladders of the card that is chosen. */
export function ReasonsPane({ surface, card, findings, lit, onLit }: Props) {
  const onLine = (line: number | null) => onLit(line === null ? null : { line, column: Number.MAX_SAFE_INTEGER })
  const onFinding = (line: number | null) => {
    const found = findings.find((finding) => finding.line === line)
    onLit(line === null ? null : { line, column: found?.column ?? 1 })
  }
  const litLine = lit?.line ?? null
  const { ladders } = card
  return (
    <aside
      aria-label="Findings and reasons"
      tabIndex={0}
      className="overflow-auto border-l border-line bg-sheet px-4 py-4 max-md:border-l-0 max-md:border-t"
    >
      <div className="grid gap-[14px]">
        <section>
          <h2 className="mb-2 text-[14px] font-semibold">
            {findings.length === 0 ? 'Findings' : count(findings.length, 'finding')}
          </h2>
          <FindingsView findings={findings} onLine={onFinding} />
        </section>
        <section className="grid gap-[12px] border-t border-line pt-3">
          <h2 className="text-[14px] font-semibold">Why {surface.name} shows this</h2>
          {card.bareBecause && <p>{card.bareBecause}</p>}
          <LadderView name="Title" ladder={card.title.ladder} lit={litLine} onLine={onLine} />
          {card.title.ifLastWins !== undefined && (
            <p className="text-[12px] text-quiet">
              A place that takes the last of repeated tags shows “{card.title.ifLastWins}”.
            </p>
          )}
          <LadderView name="Description" ladder={card.description.ladder} lit={litLine} onLine={onLine} />
          {surface.picture && <LadderView name="Picture" ladder={card.image.ladder} lit={litLine} onLine={onLine} />}
          <LadderView name="Site line" ladder={ladders.siteLine} lit={litLine} onLine={onLine} />
          {surface.favicon && <LadderView name="Favicon" ladder={ladders.favicon} lit={litLine} onLine={onLine} />}
        </section>
      </div>
    </aside>
  )
}
