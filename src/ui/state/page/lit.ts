import type { Finding, SourceLine } from '@/core/model'
import type { Card, Rung } from '@/core/surface'

/** A place in the source; what is lit on one side is lit on the other. */
export type Spot = { line: number; column: number }

export const isSame = (a: Spot | null, b: Spot | null): boolean =>
  a !== null && b !== null && a.line === b.line && a.column === b.column

/** How a row of the source is marked: it fed a card, was passed over, or has a finding. */
export type RowMark = { fed: boolean; passed: boolean; level: Finding['level'] | null }

const ladderRungs = (card: Card): Rung[] => [
  ...card.title.ladder,
  ...card.description.ladder,
  ...card.image.ladder,
  ...card.ladders.siteLine,
  ...card.ladders.favicon,
]

/** Index of the row that holds a spot: of rows on its line, the last that starts at or before it; -1 when none does. */
export function rowOf(source: readonly SourceLine[], spot: Spot | null): number {
  if (!spot) return -1
  let found = -1
  source.forEach((row, index) => {
    if (row.line === spot.line && row.column <= spot.column) found = index
  })
  return found
}

const SEVERITY = { error: 2, warning: 1, note: 0 } as const

/** Marks of every row, from all cards of a page and its findings. */
export function markRows(
  source: readonly SourceLine[],
  cards: readonly Card[],
  findings: readonly Finding[],
): RowMark[] {
  const marks = source.map((): RowMark => ({ fed: false, passed: false, level: null }))
  for (const rung of cards.flatMap(ladderRungs)) {
    const mark =
      rung.line === null || rung.column === null
        ? undefined
        : marks[rowOf(source, { line: rung.line, column: rung.column })]
    if (!mark) continue
    if (rung.outcome === 'taken') mark.fed = true
    else mark.passed = true
  }
  for (const { line, column, level } of findings) {
    const mark = line === null ? undefined : marks[rowOf(source, { line, column: column ?? 1 })]
    if (mark && (mark.level === null || SEVERITY[level] > SEVERITY[mark.level])) mark.level = level
  }
  return marks
}
