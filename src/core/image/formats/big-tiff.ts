import type { ByteView } from '../bytes'
import type { FormatReader } from '../format-reader'

/** An 8-byte number; a file so large that its upper half counts is none that is looked at here. */
const u64 = (view: ByteView, offset: number, isLittle: boolean) => view.u32(offset + (isLittle ? 0 : 4), isLittle)

/** BigTIFF (version 43): as TIFF, with offsets and counts of 8 bytes and entries of 20. */
export const bigTiff: FormatReader = {
  format: 'tiff',
  matches: (view) => view.startsWith([0x49, 0x49, 0x2b, 0]) || view.startsWith([0x4d, 0x4d, 0, 0x2b]),
  read(view) {
    const isLittle = view.u8(0) === 0x49
    const directory = u64(view, 8, isLittle)
    const found = new Map<number, number>()
    for (let index = 0; index < u64(view, directory, isLittle); index++) {
      const entry = directory + 8 + index * 20
      const type = view.u16(entry + 2, isLittle)
      const at = entry + 12
      const value = type === 3 ? view.u16(at, isLittle) : type === 4 ? view.u32(at, isLittle) : u64(view, at, isLittle)
      found.set(view.u16(entry, isLittle), value)
    }
    const [width, height] = [found.get(256) ?? 0, found.get(257) ?? 0]
    const isTurned = (found.get(274) ?? 1) >= 5
    return {
      width: isTurned ? height : width,
      height: isTurned ? width : height,
      animated: false,
      mayBeTransparent: false,
    }
  },
}
