import type { ImageColors } from '../../model'
import { type ByteView, CutShort } from '../bytes'
import type { FormatReader } from '../format-reader'

const START_OF_SCAN = 0xda
const EXIF = 0xe1
/** Orientations 5 to 8 turn the picture by a quarter (Exif 2.32, tag 0x0112). */
const FIRST_TURNED_ORIENTATION = 5

/** SOF0 to SOF15 hold the size, but for DHT (C4), JPG (C8) and DAC (CC) that share the range. */
const holdsSize = (marker: number) =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc

/** JPEG (ITU T.81): walks the marker segments to the frame header; Exif may turn the picture. */
export const jpeg: FormatReader = {
  format: 'jpeg',
  matches: (view) => view.startsWith([0xff, 0xd8, 0xff]),
  read(view) {
    let offset = 2
    let isTurned = false
    for (;;) {
      // Any number of fill bytes may stand before a marker.
      while (view.u8(offset) === 0xff && view.u8(offset + 1) === 0xff) offset++
      if (view.u8(offset) !== 0xff) throw new CutShort()
      const marker = view.u8(offset + 1)
      if (marker === START_OF_SCAN) throw new CutShort()
      if (holdsSize(marker)) {
        const height = view.u16(offset + 5)
        const width = view.u16(offset + 7)
        return {
          width: isTurned ? height : width,
          height: isTurned ? width : height,
          animated: false,
          mayBeTransparent: false,
          ...colorsOf(view.u8(offset + 9)),
        }
      }
      const length = view.u16(offset + 2)
      if (marker === EXIF && !isTurned) isTurned = orientationOf(view, offset + 4) >= FIRST_TURNED_ORIENTATION
      offset += 2 + length
    }
  },
}

/** By the number of components in the frame header. */
function colorsOf(components: number): { colors?: ImageColors } {
  const colors = ({ 1: 'grey', 3: 'rgb', 4: 'cmyk' } as const)[components]
  return colors ? { colors } : {}
}

function orientationOf(view: ByteView, offset: number): number {
  if (view.text(offset, 6) !== 'Exif\0\0') return 1
  return tiffOrientation(view, offset + 6)
}

/** Orientation in the first directory of a TIFF structure; 1 (upright) when it says none. */
export function tiffOrientation(view: ByteView, start: number): number {
  const order = view.text(start, 2)
  if (order !== 'II' && order !== 'MM') return 1
  const isLittle = order === 'II'
  const directory = start + view.u32(start + 4, isLittle)
  const count = view.u16(directory, isLittle)
  for (let index = 0; index < count; index++) {
    const entry = directory + 2 + index * 12
    if (view.u16(entry, isLittle) === 0x0112) return view.u16(entry + 8, isLittle)
  }
  return 1
}
