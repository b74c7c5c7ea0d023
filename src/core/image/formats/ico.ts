import type { FormatReader } from '../format-reader'

/** ICO: the largest of its pictures; a side of 0 means 256. */
export const ico: FormatReader = {
  format: 'ico',
  matches: (view) => view.startsWith([0, 0, 1, 0]) && view.length >= 6 && view.u16(4, true) > 0,
  read(view) {
    let width = 0
    let height = 0
    for (let index = 0; index < view.u16(4, true); index++) {
      const [w, h] = [view.u8(6 + index * 16) || 256, view.u8(7 + index * 16) || 256]
      if (w * h > width * height) [width, height] = [w, h]
    }
    return { width, height, animated: false, mayBeTransparent: true }
  },
}
