import type { Decode } from '@/core/crawl'
import { LOOK_SIDE, type Look, lookOfPixels, MAX_WORKED_PIXELS, readImageHeader } from '@/core/image'

/** Longest side at which pixels are looked at: a hole smaller than that is not seen by anyone either. */
const LOOK_PX = 512

async function pixelsOf(bytes: Uint8Array, options: ImageBitmapOptions): Promise<Uint8ClampedArray> {
  const picture = await createImageBitmap(new Blob([bytes as Uint8Array<ArrayBuffer>]), options)
  const { width, height } = picture
  const pen = new OffscreenCanvas(width, height).getContext('2d')!
  pen.drawImage(picture, 0, 0)
  picture.close()
  return pen.getImageData(0, 0, width, height).data
}

/** Does some pixel let through what is behind? null when the picture can't be decoded here. */
async function transparencyOf(bytes: Uint8Array, width: number, height: number): Promise<boolean | null> {
  const scale = Math.min(1, LOOK_PX / Math.max(width, height))
  try {
    const pixels = await pixelsOf(bytes, {
      resizeWidth: Math.max(1, Math.round(width * scale)),
      resizeHeight: Math.max(1, Math.round(height * scale)),
      resizeQuality: 'medium',
    })
    for (let index = 3; index < pixels.length; index += 4) if (pixels[index]! < 250) return true
    return false
  } catch {
    return null
  }
}

async function lookOf(bytes: Uint8Array): Promise<Look | 'broken'> {
  try {
    return lookOfPixels(
      await pixelsOf(bytes, { resizeWidth: LOOK_SIDE, resizeHeight: LOOK_SIDE, resizeQuality: 'high' }),
    )
  } catch {
    return 'broken'
  }
}

/** Looks at a picture's pixels as the browser decodes them. */
export const decodePicture: Decode = async (bytes, wants) => {
  const header = readImageHeader(bytes)
  const [width, height] = header.kind === 'image' ? [header.width ?? 0, header.height ?? 0] : [0, 0]
  if (header.kind !== 'image' || header.format === 'svg' || width * height > MAX_WORKED_PIXELS)
    return { alpha: null, look: null }
  return {
    alpha: wants.alpha && width > 0 && height > 0 ? await transparencyOf(bytes, width, height) : null,
    look: wants.look ? await lookOf(bytes) : null,
  }
}
