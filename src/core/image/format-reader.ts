import type { ImageColors, ImageFormat } from '../model'
import type { ByteView } from './bytes'

/** What a picture's header says. Pixels after orientation; null where the format names no size (some SVG). */
export type HeaderReading = {
  width: number | null
  height: number | null
  animated: boolean
  /** The format and its header allow transparent pixels; whether there are any only decoding tells. */
  mayBeTransparent: boolean
  /** What its numbers stand for, where the header says so. Ink colours (CMYK) are shown differently from place to place. */
  colors?: ImageColors
}

/** One picture format: how its bytes are known, and how its header is read. `read` may throw `CutShort`. */
export type FormatReader = {
  format: ImageFormat
  matches(view: ByteView): boolean
  read(view: ByteView): HeaderReading
  /**
   * Is a file, given whole, there to its end? Walks its structure and decodes nothing. May throw `CutShort`, which means
   * no. Absent where the format has no end to look for.
   */
  isWhole?(view: ByteView): boolean
}
