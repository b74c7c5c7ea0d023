import sharp from 'sharp'
import { LOOK_SIDE, type Look, lookOfPixels } from '@/core/image/likeness'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MOST_PIXELS = 25_000_000

/** The small square that stands for a picture; null when it can't be decoded, or is too large to. */
export async function lookOf(bytes: Uint8Array): Promise<Look | null> {
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
    return null
  }
}
