import sharp from 'sharp'
import { LOOK_SIDE, type Look, lookOfPixels } from '@/core/image/likeness'
import { readImageHeader } from '@/core/image/read-header'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MOST_PIXELS = 25_000_000

/**
 * The small square that stands for a picture; null where it is too large to be decoded, or a drawing (SVG); `broken`
 * where its bytes make no picture.
 */
export async function lookOf(bytes: Uint8Array): Promise<Look | 'broken' | null> {
  const header = readImageHeader(bytes)
  // A drawing is a document: none is rendered here.
  if (header.kind !== 'image' || header.format === 'svg') return null
  if ((header.width ?? 0) * (header.height ?? 0) > MOST_PIXELS) return null
  try {
    const pixels = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .autoOrient()
      .resize(LOOK_SIDE, LOOK_SIDE, { fit: 'fill', kernel: 'mitchell' })
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer()
    return lookOfPixels(pixels)
  } catch {
    return 'broken'
  }
}
