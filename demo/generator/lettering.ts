import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import * as fontkit from 'fontkit'

const require = createRequire(import.meta.url)
const home = dirname(require.resolve('@fontsource/arimo/package.json'))
const face = fontkit.create(readFileSync(join(home, 'files', 'arimo-latin-700-normal.woff2'))) as fontkit.Font

/** A line of lettering as one SVG path, so that no font has to be installed where pictures are made. */
export function lettering(
  text: string,
  x: number,
  y: number,
  sizePx: number,
  fill: string,
  anchor: 'start' | 'middle' = 'start',
): string {
  const scale = sizePx / face.unitsPerEm
  const run = face.layout(text)
  const startX = anchor === 'middle' ? x - (run.advanceWidth * scale) / 2 : x
  let pen = 0
  const glyphs = run.glyphs.map((glyph, index) => {
    const at = pen
    pen += run.positions[index]!.xAdvance
    return `<path transform="translate(${at} 0)" d="${glyph.path.toSVG()}"/>`
  })
  return `<g transform="translate(${startX} ${y}) scale(${scale} ${-scale})" fill="${fill}">${glyphs.join('')}</g>`
}
