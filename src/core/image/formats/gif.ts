import type { ByteView } from '../bytes'
import type { FormatReader } from '../format-reader'

/** GIF87a and GIF89a: size of the logical screen; a second image block makes it animated. */
export const gif: FormatReader = {
  format: 'gif',
  matches: (view) => view.startsWith([0x47, 0x49, 0x46, 0x38]),
  read(view) {
    const width = view.u16(6, true)
    const height = view.u16(8, true)
    const { frames, transparency } = walkBlocks(view)
    return { width, height, animated: frames > 1, mayBeTransparent: transparency }
  },
  isWhole(view) {
    let offset = 13 + colourTableBytes(view.u8(10))
    const skipSubBlocks = () => {
      while (view.u8(offset) !== 0) offset += view.u8(offset) + 1
      offset++
    }
    let frames = 0
    // A file that ends after a picture without its closing sign is shown as any other.
    while (offset < view.length) {
      const kind = view.u8(offset)
      if (kind === 0x21) offset += 2
      else if (kind === 0x2c) {
        frames++
        offset += 11 + colourTableBytes(view.u8(offset + 9))
      } else return frames > 0
      skipSubBlocks()
    }
    return frames > 0
  },
}

const colourTableBytes = (flags: number) => (flags & 0x80 ? 3 * 2 ** ((flags & 7) + 1) : 0)

/** Counts image blocks up to the second. A file cut short is counted as far as it goes. */
function walkBlocks(view: ByteView): { frames: number; transparency: boolean } {
  let frames = 0
  let transparency = false
  let offset = 13 + colourTableBytes(view.u8(10))
  const skipSubBlocks = () => {
    while (offset < view.length && view.u8(offset) !== 0) offset += view.u8(offset) + 1
    offset++
  }
  while (offset + 10 < view.length && frames < 2) {
    const kind = view.u8(offset)
    if (kind === 0x21) {
      if (view.u8(offset + 1) === 0xf9 && (view.u8(offset + 3) & 1) === 1) transparency = true
      offset += 2
      skipSubBlocks()
    } else if (kind === 0x2c) {
      frames++
      offset += 11 + colourTableBytes(view.u8(offset + 9))
      skipSubBlocks()
    } else break
  }
  return { frames, transparency }
}
