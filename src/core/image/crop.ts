/** Width divided by height of the large image that most places crop to (1200 × 630). */
export const WIDE_RATIO = 1.91

/** A rectangle in source pixels, after orientation. */
export type Crop = { x: number; y: number; width: number; height: number }

/**
 * The largest centred part of a picture that has a given ratio: sizes rounded, offsets rounded down.
 *
 * @param ratio width divided by height of the part
 * @example cropToRatio(800, 800, 1.91) // { x: 0, y: 190, width: 800, height: 419 }
 */
export function cropToRatio(width: number, height: number, ratio: number): Crop {
  const isTooWide = width / height > ratio
  const cropWidth = isTooWide ? Math.min(width, Math.max(1, Math.round(height * ratio))) : width
  const cropHeight = isTooWide ? height : Math.min(height, Math.max(1, Math.round(width / ratio)))
  return {
    x: Math.floor((width - cropWidth) / 2),
    y: Math.floor((height - cropHeight) / 2),
    width: cropWidth,
    height: cropHeight,
  }
}
