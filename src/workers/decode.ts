import { MAX_WORKED_PIXELS, readImageHeader, scaledToPixels, tooManyPixels } from '@/core/image'

/** A larger picture is scaled down while it is decoded: about 100 MB of raw pixels are held of it. */
const HELD_PIXELS = 25_000_000
/** Bytes in which a size is found, but for pictures with a camera's long notes. */
const HEADER_BYTES = 262_144

/** A picture's pixels, and the size of the picture that they were decoded from, orientation applied. */
export type Decoded = { bitmap: ImageBitmap; width: number; height: number }

/**
 * Decodes a picture, its orientation applied. Its size is read before anything is unpacked; a large one is held scaled
 * down.
 *
 * @throws Error in words for people, when it is too large or can't be decoded
 */
export async function decode(blob: Blob): Promise<Decoded> {
  const header = readImageHeader(new Uint8Array(await blob.slice(0, HEADER_BYTES).arrayBuffer()))
  const size =
    header.kind === 'image' && header.width && header.height ? { width: header.width, height: header.height } : null
  if (size && size.width * size.height > MAX_WORKED_PIXELS) throw new Error(tooManyPixels(size))
  const held = size && scaledToPixels(size, HELD_PIXELS)
  const isScaled = size !== null && held !== null && held.width < size.width
  try {
    const bitmap = isScaled
      ? await createImageBitmap(blob, { resizeWidth: held.width, resizeHeight: held.height, resizeQuality: 'high' })
      : await createImageBitmap(blob)
    return { bitmap, width: isScaled ? size.width : bitmap.width, height: isScaled ? size.height : bitmap.height }
  } catch {
    throw new Error('This browser can’t decode the picture.')
  }
}

/** Draws a part of a picture, in pixels of the whole, into a box of the canvas. */
export function drawPart(
  pen: OffscreenCanvasRenderingContext2D,
  { bitmap, width }: Decoded,
  part: { x: number; y: number; width: number; height: number },
  box: { x: number; y: number; width: number; height: number },
): void {
  const scale = bitmap.width / width
  pen.drawImage(
    bitmap,
    part.x * scale,
    part.y * scale,
    part.width * scale,
    part.height * scale,
    box.x,
    box.y,
    box.width,
    box.height,
  )
}
