import type { Crop } from './crop'

/** Share of a picture's area that lies outside a part of it, 0 to 1. */
export function shareLost(size: { width: number; height: number }, crop: Crop): number {
  return 1 - (crop.width * crop.height) / (size.width * size.height)
}

/**
 * What all crops keep: their common rectangle. null when they have none.
 *
 * @example keepZone([{ x: 0, y: 190, width: 800, height: 419 }, { x: 100, y: 0, width: 600, height: 800 }])
 * // { x: 100, y: 190, width: 600, height: 419 }
 */
export function keepZone(crops: readonly Crop[]): Crop | null {
  if (crops.length === 0) return null
  const left = Math.max(...crops.map(({ x }) => x))
  const top = Math.max(...crops.map(({ y }) => y))
  const right = Math.min(...crops.map(({ x, width }) => x + width))
  const bottom = Math.min(...crops.map(({ y, height }) => y + height))
  return right > left && bottom > top ? { x: left, y: top, width: right - left, height: bottom - top } : null
}

/** A part drawn at some width on a screen is soft when it has fewer pixels than the screen shows. */
export const isSoft = (crop: Crop, drawnPx: number, pixelRatio: 1 | 2): boolean => crop.width < drawnPx * pixelRatio
