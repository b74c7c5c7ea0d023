// Writes src/core/text/widths/arimo-WEIGHT.json: advance widths of the measuring face, read from its font files.
// Run by hand when the font package changes: node scripts/make-widths.mjs
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import * as fontkit from 'fontkit'

const require = createRequire(import.meta.url)
const home = dirname(require.resolve('@fontsource/arimo/package.json'))
const SUBSETS = ['latin', 'latin-ext', 'vietnamese', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'hebrew']

for (const weight of [400, 600, 700]) {
  const widths = new Map()
  let unitsPerEm = 0
  for (const subset of SUBSETS) {
    const font = fontkit.create(readFileSync(join(home, 'files', `arimo-${subset}-${weight}-normal.woff2`)))
    unitsPerEm = font.unitsPerEm
    for (const codePoint of font.characterSet) {
      if (!widths.has(codePoint)) widths.set(codePoint, Math.round(font.glyphForCodePoint(codePoint).advanceWidth))
    }
  }
  // Runs of neighbouring code points: [first, [width, width, …]].
  const runs = []
  for (const codePoint of [...widths.keys()].sort((a, b) => a - b)) {
    const last = runs.at(-1)
    if (last && last[0] + last[1].length === codePoint) last[1].push(widths.get(codePoint))
    else runs.push([codePoint, [widths.get(codePoint)]])
  }
  const file = new URL(`../src/core/text/widths/arimo-${weight}.json`, import.meta.url)
  writeFileSync(file, `${JSON.stringify({ face: 'Arimo', weight, unitsPerEm, runs })}\n`)
  console.error(`arimo-${weight}: ${widths.size} code points in ${runs.length} runs`)
}
