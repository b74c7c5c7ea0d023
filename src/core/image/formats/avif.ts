import { type ByteView, CutShort } from '../bytes'
import type { FormatReader } from '../format-reader'

const BRANDS = new Set(['avif', 'avis'])

/** AVIF (ISO/IEC 23008-12): the largest `ispe` in meta/iprp/ipco, turned by `irot`. */
export const avif: FormatReader = {
  format: 'avif',
  matches(view) {
    if (view.length < 16 || view.text(4, 4) !== 'ftyp') return false
    const end = Math.min(view.u32(0), view.length)
    for (let offset = 8; offset + 4 <= end; offset += 4) if (BRANDS.has(view.text(offset, 4))) return true
    return false
  },
  read(view) {
    const meta = findBox(view, 0, view.length, 'meta')
    const iprp = meta && findBox(view, meta.start + 4, meta.end, 'iprp')
    const ipco = iprp && findBox(view, iprp.start, iprp.end, 'ipco')
    if (!ipco) throw new CutShort()
    let width = 0
    let height = 0
    let isTurned = false
    let alpha = false
    for (const box of boxes(view, ipco.start, ipco.end)) {
      if (box.type === 'ispe') {
        const [w, h] = [view.u32(box.start + 4), view.u32(box.start + 8)]
        if (w * h > width * height) [width, height] = [w, h]
      }
      if (box.type === 'irot') isTurned = (view.u8(box.start) & 1) === 1
      if (box.type === 'auxC') alpha ||= view.text(box.start, box.end - box.start).includes(':alpha')
    }
    if (width === 0) throw new CutShort()
    return {
      width: isTurned ? height : width,
      height: isTurned ? width : height,
      animated: view.text(8, 4) === 'avis',
      mayBeTransparent: alpha,
    }
  },
  isWhole(view) {
    let offset = 0
    while (offset < view.length) {
      const size = view.u32(offset)
      // The last box may reach to the end of the file, however long that is.
      if (size === 0) return true
      const isLarge = size === 1
      const length = isLarge ? view.u32(offset + 8) * 2 ** 32 + view.u32(offset + 12) : size
      if (length < (isLarge ? 16 : 8) || offset + length > view.length) return false
      offset += length
    }
    return true
  },
}

type Box = { type: string; start: number; end: number }

function* boxes(view: ByteView, from: number, to: number): Generator<Box> {
  let offset = from
  while (offset + 8 <= to) {
    const size = view.u32(offset)
    const end = size === 0 ? to : offset + size
    if (size !== 0 && size < 8) return
    yield { type: view.text(offset + 4, 4), start: offset + 8, end: Math.min(end, to) }
    offset = end
  }
}

function findBox(view: ByteView, from: number, to: number, type: string): Box | undefined {
  for (const box of boxes(view, from, to)) if (box.type === type) return box
  return undefined
}
