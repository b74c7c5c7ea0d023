import sharp from 'sharp'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MOST_PIXELS = 25_000_000

/** Does some pixel let through what is behind? null when the picture can't be decoded, or is SVG or too large to. */
export async function hasTransparency(bytes: Uint8Array): Promise<boolean | null> {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    const { format, hasAlpha } = await image.metadata()
    if (format === 'svg') return null
    if (!hasAlpha) return false
    return !(await image.stats()).isOpaque
  } catch {
    return null
  }
}
