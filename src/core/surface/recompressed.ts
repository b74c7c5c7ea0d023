import type { Crop } from '../image'
import type { Recompression } from './profile'

/**
 * Pixels to which a place scales the part that it keeps: its longest side at most what the profile says, never enlarged.
 *
 * @example recompressedSize({ x: 0, y: 0, width: 2400, height: 1260 }, feedRecompression) // { width: 1200, height: 630 }
 */
export function recompressedSize(crop: Crop, { longestSide }: Recompression): { width: number; height: number } {
  const scale = Math.min(1, longestSide.value / Math.max(crop.width, crop.height))
  return { width: Math.max(1, Math.round(crop.width * scale)), height: Math.max(1, Math.round(crop.height * scale)) }
}
