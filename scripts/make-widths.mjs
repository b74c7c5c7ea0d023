// Writes src/core/text/widths/arimo-WEIGHT.json: advance widths of the measuring face, read from its font files.
// Run by hand when the font package changes: node scripts/make-widths.mjs
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import * as fontkit from 'fontkit'

const require = createRequire(import.meta.url)
const home = dirname(require.resolve('@fontsource/arimo/package.json'))
const SUBSETS = ['latin', 'latin-ext', 'vietnamese', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'hebrew']

/** Scripts whose pairs are kerned in the face; pairs across subsets are set without. */
const KERNED = ['latin', 'latin-ext', 'greek', 'cyrillic']

/** Pairs that stand closer or wider than their widths say: [first, second, units, second, units, …] a first letter. */
function kerningOf(fonts) {
  const pairs = new Map()
  for (const subset of KERNED) {
    const font = fonts.get(subset)
    const points = font.characterSet.filter(
      (point) => /[\p{L}\p{N}\p{P} ]/u.test(String.fromCodePoint(point)) && point >= 32,
    )
    // Letters with marks are kerned like their base in this face, and rarely met in pairs: the common ones are read.
    const common = points.filter(
      (point) => point < 0x180 || subset === 'greek' || subset === 'cyrillic' || (point >= 0x2010 && point <= 0x203a),
    )
    const width = new Map(common.map((point) => [point, font.glyphForCodePoint(point).advanceWidth]))
    for (const first of common) {
      for (const second of common) {
        const set = font
          .layout(String.fromCodePoint(first, second))
          .positions.reduce((sum, { xAdvance }) => sum + xAdvance, 0)
        const off = Math.round(set - width.get(first) - width.get(second))
        // A ligature or a mark that changes the count of glyphs is no kerning.
        if (off !== 0 && Math.abs(off) < font.unitsPerEm / 4)
          pairs.set(first, [...(pairs.get(first) ?? []), second, off])
      }
    }
  }
  return [...pairs].sort(([a], [b]) => a - b).map(([first, seconds]) => [first, ...seconds])
}

for (const weight of [400, 600, 700]) {
  const widths = new Map()
  let unitsPerEm = 0
  const fonts = new Map()
  for (const subset of SUBSETS) {
    const font = fontkit.create(readFileSync(join(home, 'files', `arimo-${subset}-${weight}-normal.woff2`)))
    unitsPerEm = font.unitsPerEm
    fonts.set(subset, font)
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
  writeFileSync(file, `${JSON.stringify({ face: 'Arimo', weight, unitsPerEm, runs, kerning: kerningOf(fonts) })}\n`)
  console.error(`arimo-${weight}: ${widths.size} code points in ${runs.length} runs`)
}
