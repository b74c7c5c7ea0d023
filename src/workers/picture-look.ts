import { LOOK_SIDE, type Look, lookOfPixels } from '@/core/image/likeness'
import { readImageHeader } from '@/core/image/read-header'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MOST_PIXELS = 25_000_000

/** The small square that stands for a picture; null where it is too large to be decoded; `broken` where it can't be. */
export async function lookOfPicture(bytes: Uint8Array): Promise<Look | 'broken' | null> {
  const header = readImageHeader(bytes)
  if (header.kind !== 'image' || (header.width ?? 0) * (header.height ?? 0) > MOST_PIXELS) return null
  try {
    const whole = await createImageBitmap(new Blob([bytes as Uint8Array<ArrayBuffer>]), {
      resizeWidth: LOOK_SIDE,
      resizeHeight: LOOK_SIDE,
      resizeQuality: 'high',
    })
    const pen = new OffscreenCanvas(LOOK_SIDE, LOOK_SIDE).getContext('2d')!
    pen.drawImage(whole, 0, 0)
    whole.close()
    return lookOfPixels(pen.getImageData(0, 0, LOOK_SIDE, LOOK_SIDE).data)
  } catch {
    return 'broken'
  }
}
