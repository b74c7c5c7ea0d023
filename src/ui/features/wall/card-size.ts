import { cardWidth } from '@/core/sheet'
import type { Surface } from '@/core/surface'
import type { CardSize } from '../../state/view/view'

/** Least part of its true size that a card is drawn at. From 0.6 on its text can be read; below, its picture and how much it says. */
const LEAST: Record<CardSize, number> = { small: 0.42, medium: 0.6, large: 1 }
const GAP_PX = 12
/** No narrower: a path and a finding stand below each card. */
const LEAST_PX = 176

/** How cards are laid in rows: how many beside each other, and how wide each is. `widthPx`: of the whole pane. */
export function columnsFor(
  widthPx: number,
  shown: readonly Surface[],
  size: CardSize,
): { columns: number; columnPx: number; gapPx: number } {
  const eachPx = shown.map((surface) => cardWidth(surface) * LEAST[size])
  const cellPx = Math.max(
    LEAST_PX,
    eachPx.reduce((sum, one) => sum + one, GAP_PX * (shown.length - 1)),
  )
  const columns = Math.max(1, Math.floor((widthPx + GAP_PX) / (cellPx + GAP_PX)))
  return { columns, columnPx: (widthPx - GAP_PX * (columns - 1)) / columns, gapPx: GAP_PX }
}
