import { CutShort } from '../bytes'
import type { FormatReader } from '../format-reader'

/** WebP (RFC 9649): the first chunk is VP8 (lossy), VP8L (lossless) or VP8X (extended, which may be animated). */
export const webp: FormatReader = {
  format: 'webp',
  matches: (view) => view.startsWith([0x52, 0x49, 0x46, 0x46]) && view.startsWith([0x57, 0x45, 0x42, 0x50], 8),
  read(view) {
    const chunk = view.text(12, 4)
    if (chunk === 'VP8X') {
      const flags = view.u8(20)
      return {
        width: view.u24(24, true) + 1,
        height: view.u24(27, true) + 1,
        animated: (flags & 0x02) !== 0,
        mayBeTransparent: (flags & 0x10) !== 0,
      }
    }
    if (chunk === 'VP8 ') {
      return {
        width: view.u16(26, true) & 0x3fff,
        height: view.u16(28, true) & 0x3fff,
        animated: false,
        mayBeTransparent: false,
      }
    }
    if (chunk === 'VP8L') {
      const bits = view.u32(21, true)
      return {
        width: (bits & 0x3fff) + 1,
        height: ((bits >>> 14) & 0x3fff) + 1,
        animated: false,
        mayBeTransparent: ((bits >>> 28) & 1) === 1,
      }
    }
    throw new CutShort()
  },
  // The outermost chunk says how long all of it is.
  isWhole: (view) => view.u32(4, true) + 8 <= view.length + 1,
}
