import type { FormatReader } from '../format-reader'

/** BMP: size in the information header; a negative height only says that rows run downwards. */
export const bmp: FormatReader = {
  format: 'bmp',
  matches: (view) => view.startsWith([0x42, 0x4d]) && view.length > 26,
  read(view) {
    const isOld = view.u32(14, true) === 12
    return {
      width: isOld ? view.u16(18, true) : view.i32(18, true),
      height: isOld ? view.u16(20, true) : Math.abs(view.i32(22, true)),
      animated: false,
      mayBeTransparent: false,
    }
  },
}
