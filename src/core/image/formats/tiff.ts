import type { FormatReader } from '../format-reader'
import { tiffOrientation } from './jpeg'

/** TIFF 6.0: ImageWidth (256) and ImageLength (257) in the first directory, as SHORT or LONG. */
export const tiff: FormatReader = {
  format: 'tiff',
  matches: (view) => view.startsWith([0x49, 0x49, 0x2a, 0]) || view.startsWith([0x4d, 0x4d, 0, 0x2a]),
  read(view) {
    const isLittle = view.u8(0) === 0x49
    const directory = view.u32(4, isLittle)
    let width = 0
    let height = 0
    for (let index = 0; index < view.u16(directory, isLittle); index++) {
      const entry = directory + 2 + index * 12
      const tag = view.u16(entry, isLittle)
      const value = view.u16(entry + 2, isLittle) === 3 ? view.u16(entry + 8, isLittle) : view.u32(entry + 8, isLittle)
      if (tag === 256) width = value
      if (tag === 257) height = value
    }
    const isTurned = tiffOrientation(view, 0) >= 5
    return {
      width: isTurned ? height : width,
      height: isTurned ? width : height,
      animated: false,
      mayBeTransparent: false,
    }
  },
}
