import sharp from 'sharp'
import { LOOK_SIDE, type Look, lookOfPixels } from '@/core/image/likeness'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MOST_PIXELS = 25_000_000

/** The small square that stands for a picture; null when it can't be decoded, is too large to, or is a drawing (SVG). */
export async function lookOf(bytes: Uint8Array): Promise<Look | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    // A drawing is a document: none is rendered here.
    if ((await picture.metadata()).format === 'svg') return null
    const pixels = await picture
      .autoOrient()
      .resize(LOOK_SIDE, LOOK_SIDE, { fit: 'fill', kernel: 'mitchell' })
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer()
    return lookOfPixels(pixels)
  } catch {
    return null
  }
}
