'use client'

import { clsx } from 'clsx'
import type { Card, Outcome, Rung } from '@/core/surface'
import { ownEntry } from '@/core/text'
import type { Spot } from '../../state/page/lit'

const OUTCOMES: Record<Outcome, string> = {
  taken: 'taken',
  absent: 'absent',
  empty: 'empty',
  beaten: 'beaten',
  'too-small': 'too small',
  refused: 'refused',
  unreachable: 'unreachable',
  'beyond-bytes': 'beyond the bytes it reads',
  blocked: 'blocked',
}

/** Names of sources as people say them. */
const SOURCES: Record<string, string> = {
  'first-paragraph': 'first paragraph',
  'content-image': 'content picture',
  'apple-touch-icon': 'touch icon',
}

const VALUE_CHARACTERS = 90

/** Was a text found that the card shows nothing of? */
export const hasNoRoom = ({ text, shown }: Pick<Card['description'], 'text' | 'shown'>) => text !== null && shown === ''

/** The candidates for one part of a card, numbered in order of preference; the one that won stands in ink. */
export function LadderView({
  name,
  ladder,
  hasNoRoom = false,
  lit,
  onLit,
}: {
  name: string
  ladder: Rung[]
  /** Something was found, and the card has no room for it. */
  hasNoRoom?: boolean
  lit?: Spot | null
  onLit?: (spot: Spot | null) => void
}) {
  return (
    <section className="border-t border-line pt-[10px] first:border-t-0 first:pt-0">
      <h3 className="mb-[5px] font-semibold">{name}</h3>
      {ladder.length === 0 && <p className="text-quiet">This place shows none.</p>}
      {hasNoRoom && <p className="mb-1 text-quiet">This card has no room for it.</p>}
      <ol className="grid gap-[5px]">
        {ladder.map((rung, index) => (
          <RungView
            key={`${rung.from} ${rung.line} ${index}`}
            rung={rung}
            outcome={hasNoRoom && rung.outcome === 'taken' ? 'found, no room' : OUTCOMES[rung.outcome]}
            number={index + 1}
            isLit={lit != null && rung.line === lit.line && rung.column === lit.column}
            onLit={onLit}
          />
        ))}
      </ol>
    </section>
  )
}

function RungView({
  rung,
  outcome,
  number,
  isLit,
  onLit,
}: {
  rung: Rung
  /** What became of it, in words. */
  outcome: string
  number: number
  isLit: boolean
  onLit: ((spot: Spot | null) => void) | undefined
}) {
  const isTaken = rung.outcome === 'taken'
  const value = rung.value ?? ''
  return (
    <li
      className={clsx(
        'grid grid-cols-[20px_1fr] gap-x-2 rounded-[4px]',
        !isTaken && 'text-quiet',
        isLit && 'bg-pick-soft',
      )}
      onMouseEnter={() =>
        onLit?.(rung.line === null || rung.column === null ? null : { line: rung.line, column: rung.column })
      }
      onMouseLeave={() => onLit?.(null)}
    >
      <span
        className={clsx(
          'mt-px grid size-[17px] place-items-center rounded-[4px] border text-sign tabular-nums',
          isTaken ? 'border-ink bg-ink font-semibold text-ground' : 'border-line',
        )}
      >
        {number}
      </span>
      <span className="min-w-0">
        <span className="flex items-baseline gap-2">
          <span className={clsx('font-mono text-small', isTaken && 'font-semibold')}>
            {ownEntry(SOURCES, rung.from) ?? rung.from}
          </span>
          <span className="ml-auto shrink-0 text-small">
            {rung.line !== null && `line ${rung.line} · `}
            {outcome}
          </span>
        </span>
        {(value !== '' || rung.why) && (
          <span className="block text-small leading-[1.35] [overflow-wrap:anywhere]">
            {rung.why && <span>{rung.why}. </span>}
            {value.length > VALUE_CHARACTERS ? `${value.slice(0, VALUE_CHARACTERS)}…` : value}
          </span>
        )}
      </span>
    </li>
  )
}
