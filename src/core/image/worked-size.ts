import type { Shape } from './refit-plan'

/** Pictures with more pixels are not decoded to be worked on: what a browser's tab or a build's machine can still hold. */
export const MAX_WORKED_PIXELS = 100_000_000

/** Why a picture is not worked on, in words for people. */
export function tooManyPixels({ width, height }: Shape): string {
  const millions = Math.round((width * height) / 1_000_000)
  return `It has ${width} × ${height} pixels, ${millions} million; up to ${MAX_WORKED_PIXELS / 1_000_000} million are worked on. Save a smaller one: no place shows more than 2 million.`
}

/**
 * The largest size of the same shape that has no more than so many pixels.
 *
 * @example scaledToPixels({ width: 10_000, height: 10_000 }, 25_000_000) // { width: 5000, height: 5000 }
 */
export function scaledToPixels({ width, height }: Shape, most: number): Shape {
  const scale = Math.min(1, Math.sqrt(most / (width * height)))
  return { width: Math.max(1, Math.floor(width * scale)), height: Math.max(1, Math.floor(height * scale)) }
}
