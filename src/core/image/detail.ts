import type { Crop } from './crop'

/** Where a picture has detail: how much changes from pixel to pixel in each square of a grid. A hint, not a verdict. */
export type DetailMap = {
  columns: number
  rows: number
  /** Share of the whole picture's detail in each square, row by row; they sum to 1. All 0 for a plain picture. */
  shares: number[]
}

/** Squares along the longer side. */
const DETAIL_GRID = 24
/** Changes smaller than this, of 255 levels, are grain. */
const GRAIN = 12

/**
 * Sums the changes between neighbouring pixels (Sobel's operator) in a grid of squares.
 *
 * @param grey levels row by row, width × height of them
 */
export function detailMap(grey: Uint8Array, width: number, height: number): DetailMap {
  const longer = Math.max(width, height)
  const columns = Math.max(1, Math.round((DETAIL_GRID * width) / longer))
  const rows = Math.max(1, Math.round((DETAIL_GRID * height) / longer))
  const shares = new Array<number>(columns * rows).fill(0)
  let total = 0
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = (dx: number, dy: number) => grey[(y + dy) * width + x + dx]!
      const across = at(1, -1) + 2 * at(1, 0) + at(1, 1) - at(-1, -1) - 2 * at(-1, 0) - at(-1, 1)
      const down = at(-1, 1) + 2 * at(0, 1) + at(1, 1) - at(-1, -1) - 2 * at(0, -1) - at(1, -1)
      const change = Math.hypot(across, down) / 4
      if (change < GRAIN) continue
      const column = Math.min(columns - 1, Math.floor((x / width) * columns))
      const row = Math.min(rows - 1, Math.floor((y / height) * rows))
      shares[row * columns + column]! += change
      total += change
    }
  }
  return { columns, rows, shares: total === 0 ? shares : shares.map((share) => share / total) }
}

/**
 * How much of a picture's detail lies outside a crop, 0 to 1; squares on its edge count by their part.
 *
 * @param size of the whole picture, in the crop's pixels
 */
export function detailOutside(map: DetailMap, size: { width: number; height: number }, crop: Crop): number {
  let inside = 0
  let total = 0
  for (const [index, share] of map.shares.entries()) {
    const left = ((index % map.columns) / map.columns) * size.width
    const top = (Math.floor(index / map.columns) / map.rows) * size.height
    const [width, height] = [size.width / map.columns, size.height / map.rows]
    const across = Math.max(0, Math.min(left + width, crop.x + crop.width) - Math.max(left, crop.x))
    const down = Math.max(0, Math.min(top + height, crop.y + crop.height) - Math.max(top, crop.y))
    inside += share * ((across * down) / (width * height))
    total += share
  }
  return total === 0 ? 0 : Math.max(0, 1 - inside / total)
}

/** The middle of the three by three squares with most detail, 0 to 1 both ways: where a loss is seen first. */
export function busiestPoint({ columns, rows, shares }: DetailMap): { x: number; y: number } {
  let [most, x, y] = [0, 0.5, 0.5]
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      let sum = 0
      for (let down = Math.max(0, row - 1); down <= Math.min(rows - 1, row + 1); down++)
        for (let over = Math.max(0, column - 1); over <= Math.min(columns - 1, column + 1); over++)
          sum += shares[down * columns + over]!
      if (sum > most) [most, x, y] = [sum, (column + 0.5) / columns, (row + 0.5) / rows]
    }
  }
  return { x, y }
}
