import type { ImageFormat } from '../model'
import { ByteView, CutShort } from './bytes'
import type { HeaderReading } from './format-reader'
import { formatReaders } from './formats'

export type ImageReading =
  | ({ kind: 'image'; format: ImageFormat } & HeaderReading)
  /** The format is known, its header is cut short or makes no sense. */
  | { kind: 'damaged'; format: ImageFormat }
  | { kind: 'not-image' }
  | { kind: 'empty' }

/** Is a picture, given whole, there to its end? True also for formats that have no end to look for. */
export function isWholePicture(bytes: Uint8Array, format: ImageFormat): boolean {
  const reader = formatReaders.find((one) => one.format === format)
  if (!reader?.isWhole) return true
  try {
    return reader.isWhole(new ByteView(bytes))
  } catch (error) {
    if (error instanceof CutShort) return false
    throw error
  }
}

/**
 * Reads a picture's format and size from its first bytes, never from its name.
 *
 * Sizes are pixels of the upright picture (EXIF orientation applied).
 */
export function readImageHeader(bytes: Uint8Array): ImageReading {
  if (bytes.length === 0) return { kind: 'empty' }
  const view = new ByteView(bytes)
  for (const reader of formatReaders) {
    if (!reader.matches(view)) continue
    try {
      const reading = reader.read(view)
      const isNothing = reading.width === 0 || reading.height === 0
      return isNothing
        ? { kind: 'damaged', format: reader.format }
        : { kind: 'image', format: reader.format, ...reading }
    } catch (error) {
      if (error instanceof CutShort) return { kind: 'damaged', format: reader.format }
      throw error
    }
  }
  return { kind: 'not-image' }
}
