import { readImageHeader } from '@/core/image'

/** A picture with more pixels is not decoded: about 240 MB of raw pixels. */
const MAX_PIXELS = 60_000_000
/** Bytes in which a size is found, but for pictures with a camera's long notes. */
const HEADER_BYTES = 262_144

/**
 * Decodes a picture, its orientation applied. Its size is read before anything is unpacked.
 *
 * @throws Error in words for people, when it is too large or can't be decoded
 */
export async function decode(blob: Blob): Promise<ImageBitmap> {
  const header = readImageHeader(new Uint8Array(await blob.slice(0, HEADER_BYTES).arrayBuffer()))
  const known = header.kind === 'image' ? header : null
  const pixels = (known?.width ?? 0) * (known?.height ?? 0)
  if (pixels > MAX_PIXELS)
    throw new Error(`${known?.width} × ${known?.height} pixels are too many to be worked on here; 60 million are not.`)
  try {
    return await createImageBitmap(blob)
  } catch {
    throw new Error('This browser can’t decode the picture.')
  }
}
