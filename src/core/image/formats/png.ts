import type { ByteView } from '../bytes'
import type { FormatReader } from '../format-reader'

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]

/** PNG and APNG (W3C PNG, third edition): size in IHDR; an acTL chunk before the first IDAT makes it animated. */
export const png: FormatReader = {
  format: 'png',
  matches: (view) => view.startsWith(SIGNATURE),
  read(view) {
    const width = view.u32(16)
    const height = view.u32(20)
    const colourType = view.u8(25)
    const { animated, transparency } = chunksBeforeData(view)
    const colors = colourType === 0 || colourType === 4 ? 'grey' : 'rgb'
    return { width, height, animated, mayBeTransparent: colourType === 4 || colourType === 6 || transparency, colors }
  },
  isWhole(view) {
    for (let offset = 8; ; offset += 12 + view.u32(offset)) if (view.text(offset + 4, 4) === 'IEND') return true
  },
}

function chunksBeforeData(view: ByteView): { animated: boolean; transparency: boolean } {
  let animated = false
  let transparency = false
  let offset = 8
  while (offset + 8 <= view.length) {
    const type = view.text(offset + 4, 4)
    if (type === 'IDAT' || type === 'IEND') break
    if (type === 'acTL') animated = true
    if (type === 'tRNS') transparency = true
    offset += 12 + view.u32(offset)
  }
  return { animated, transparency }
}
