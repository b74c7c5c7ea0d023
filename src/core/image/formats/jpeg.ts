import type { ImageColors } from '../../model'
import { type ByteView, CutShort } from '../bytes'
import type { FormatReader } from '../format-reader'

const START_OF_SCAN = 0xda
const EXIF = 0xe1
const END = 0xd9
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
    let isTurned = false
    for (const { marker, offset } of segments(view)) {
      if (marker === START_OF_SCAN) break
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
      if (marker === EXIF && !isTurned) isTurned = orientationOf(view, offset + 4) >= FIRST_TURNED_ORIENTATION
    }
    throw new CutShort()
  },
  isWhole(view) {
    for (const { marker } of segments(view)) if (marker === END) return true
    return false
  },
}

/** Markers without a length: TEM and the restarts. */
const standsAlone = (marker: number) => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd8)

/**
 * Marker segments up to the end of the picture, each with the offset of its `FF`; the coded data after a scan's header
 * is passed over. Bytes before a marker that belong to nothing are skipped, as decoders do.
 */
function* segments(view: ByteView): Generator<{ marker: number; offset: number }> {
  let offset = 2
  for (;;) {
    while (view.u8(offset) !== 0xff || view.u8(offset + 1) === 0xff || view.u8(offset + 1) === 0) offset++
    const marker = view.u8(offset + 1)
    yield { marker, offset }
    if (marker === END) return
    if (standsAlone(marker)) {
      offset += 2
      continue
    }
    const length = view.u16(offset + 2)
    offset += 2 + Math.max(2, length)
    if (offset > view.length) throw new CutShort()
    // Coded data: a FF in it is followed by 00, or by a restart.
    if (marker === START_OF_SCAN) {
      while (view.u8(offset) !== 0xff || isCoded(view.u8(offset + 1))) offset++
    }
  }
}

const isCoded = (next: number) => next === 0 || next === 0xff || (next >= 0xd0 && next <= 0xd7)

/** By the number of components in the frame header. */
function colorsOf(components: number): { colors?: ImageColors } {
  const colors = ({ 1: 'grey', 3: 'rgb', 4: 'cmyk' } as const)[components]
  return colors ? { colors } : {}
}

function orientationOf(view: ByteView, offset: number): number {
  try {
    return view.text(offset, 6) === 'Exif\0\0' ? tiffOrientation(view, offset + 6) : 1
  } catch (error) {
    // Notes that make no sense are no fault of the picture: it is shown as it lies.
    if (error instanceof CutShort) return 1
    throw error
  }
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
