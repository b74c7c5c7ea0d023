import { firstLine } from './draw-card'
import { baselineOf, type Drawing, movedBy, type Step } from './drawing'

const MARGIN_PX = 28
const GAP_PX = 28
const CAPTION = { sizePx: 13, lineHeightPx: 24 }
const TITLE = { sizePx: 20, lineHeightPx: 30 }
const ABOUT = { sizePx: 13, lineHeightPx: 22 }

/** A card with what it is. */
export type Cell = { caption: string; card: Drawing }

const line = (
  text: string,
  top: number,
  x: number,
  sizePx: number,
  lineHeightPx: number,
  weight: 400 | 600,
  ink: 'ink' | 'quiet',
  widthPx: number,
): Step => ({
  kind: 'text',
  x,
  baseline: baselineOf(top, sizePx, lineHeightPx),
  text: firstLine(text, sizePx, weight, widthPx),
  sizePx,
  weight,
  ink,
})

function putCell(steps: Step[], cell: Cell, x: number, y: number): number {
  steps.push(line(cell.caption, y, x, CAPTION.sizePx, CAPTION.lineHeightPx, 600, 'ink', cell.card.widthPx))
  steps.push(...movedBy(cell.card, x, y + CAPTION.lineHeightPx))
  return y + CAPTION.lineHeightPx + cell.card.heightPx
}

function finished(title: string, about: string, widthPx: number, bottom: number, inside: Step[]): Drawing {
  const heightPx = Math.ceil(bottom + MARGIN_PX)
  const room = widthPx - 2 * MARGIN_PX
  return {
    widthPx: Math.ceil(widthPx),
    heightPx,
    steps: [
      { kind: 'box', x: 0, y: 0, width: Math.ceil(widthPx), height: heightPx, radius: 0, fill: 'ground' },
      line(title, MARGIN_PX, MARGIN_PX, TITLE.sizePx, TITLE.lineHeightPx, 600, 'ink', room),
      line(about, MARGIN_PX + TITLE.lineHeightPx, MARGIN_PX, ABOUT.sizePx, ABOUT.lineHeightPx, 400, 'quiet', room),
      ...inside,
    ],
  }
}

const TOP_PX = MARGIN_PX + TITLE.lineHeightPx + ABOUT.lineHeightPx + 14

/** Cards in two columns, each put where there is most room, in their order. */
export function sheetOfCards(title: string, about: string, cells: readonly Cell[]): Drawing {
  const columnPx = Math.max(0, ...cells.map(({ card }) => card.widthPx))
  const columns = [0, 1].map((index) => ({ x: MARGIN_PX + index * (columnPx + GAP_PX), y: TOP_PX }))
  const steps: Step[] = []
  for (const cell of cells) {
    const column = columns[0]!.y <= columns[1]!.y ? columns[0]! : columns[1]!
    column.y = putCell(steps, cell, column.x, column.y) + GAP_PX
  }
  const bottom = Math.max(TOP_PX, ...columns.map(({ y }) => y - GAP_PX))
  return finished(title, about, 2 * MARGIN_PX + 2 * columnPx + GAP_PX, bottom, steps)
}

/** A row: what it is of, and its two cards; null where there is none. */
export type Pair = { name: string; before: Drawing | null; after: Drawing | null }

/** Cards before and after, a row each. */
export function sheetOfPairs(title: string, about: string, pairs: readonly Pair[]): Drawing {
  const columnPx = Math.max(240, ...pairs.flatMap(({ before, after }) => [before?.widthPx ?? 0, after?.widthPx ?? 0]))
  const steps: Step[] = []
  let y = TOP_PX
  for (const { name, before, after } of pairs) {
    steps.push(line(name, y, MARGIN_PX, CAPTION.sizePx, CAPTION.lineHeightPx, 600, 'ink', 2 * columnPx))
    const top = y + CAPTION.lineHeightPx
    for (const [index, [caption, card]] of (
      [
        ['before', before],
        ['now', after],
      ] as const
    ).entries()) {
      const x = MARGIN_PX + index * (columnPx + GAP_PX)
      const says = card ? caption : `${caption}: no such page`
      steps.push(line(says, top, x, ABOUT.sizePx, ABOUT.lineHeightPx, 400, 'quiet', columnPx))
      if (card) steps.push(...movedBy(card, x, top + ABOUT.lineHeightPx))
    }
    y = top + ABOUT.lineHeightPx + Math.max(before?.heightPx ?? 0, after?.heightPx ?? 0) + GAP_PX
  }
  return finished(title, about, 2 * MARGIN_PX + 2 * columnPx + GAP_PX, Math.max(TOP_PX, y - GAP_PX), steps)
}
