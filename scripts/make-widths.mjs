// Writes src/core/text/widths/*.json: advance widths of the measuring face, and of faces that stand in where it has no
// letters, read from their font files.
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

const open = (face, subset, weight) => {
  const files = join(dirname(require.resolve(`@fontsource/${face}/package.json`)), 'files')
  return fontkit.create(readFileSync(join(files, `${face}-${subset}-${weight}-normal.woff2`)))
}
const widthIn = (font, text) => Math.round(font.layout(text).positions.reduce((sum, { xAdvance }) => sum + xAdvance, 0))
const write = (name, content) =>
  writeFileSync(new URL(`../src/core/text/widths/${name}.json`, import.meta.url), `${JSON.stringify(content)}\n`)

/** Beside a joiner the shaper looks for anchors of marks that are not there, and breaks off: none is at 0. */
function withoutMissingAnchors(font) {
  font.layout('\u0628')
  const processor = Object.getPrototypeOf(font._layoutEngine.engine.GPOSProcessor)
  const { getAnchor } = processor
  processor.getAnchor = function (anchor) {
    return anchor ? getAnchor.call(this, anchor) : { x: 0, y: 0 }
  }
  return font
}

/** Makes a letter join the one beside it. */
const JOINER = '\u200D'
const LAM = '\u0644'
const ALEFS = [...'\u0627\u0623\u0625\u0622\u0671']

for (const weight of [400, 600, 700]) {
  const arabic = withoutMissingAnchors(open('noto-sans-arabic', 'arabic', weight))
  // Letters of the Arabic block, alone, first, in the middle and last; signs and digits have one form.
  const forms = arabic.characterSet
    .filter((point) => point >= 0x600 && point <= 0x6ff)
    .map((point) => {
      const letter = String.fromCodePoint(point)
      const row = [letter, letter + JOINER, JOINER + letter + JOINER, JOINER + letter].map((text) =>
        widthIn(arabic, text),
      )
      return [point, ...(row.every((width) => width === row[0]) ? row.slice(0, 1) : row)]
    })
  const lamAlef = ALEFS.map((alef) => [
    alef.codePointAt(0),
    widthIn(arabic, LAM + alef),
    widthIn(arabic, JOINER + LAM + alef),
  ])
  write(`arabic-${weight}`, { face: 'Noto Sans Arabic', weight, unitsPerEm: arabic.unitsPerEm, forms, lamAlef })
  const thai = open('noto-sans-thai', 'thai', weight)
  const points = thai.characterSet.filter((point) => point >= 0xe00 && point <= 0xe7f)
  const row = Array.from({ length: 0x80 }, (_, index) =>
    points.includes(0xe00 + index) ? Math.round(thai.glyphForCodePoint(0xe00 + index).advanceWidth) : 0,
  )
  write(`thai-${weight}`, { face: 'Noto Sans Thai', weight, unitsPerEm: thai.unitsPerEm, runs: [[0xe00, row]] })
  console.error(`arabic-${weight}: ${forms.length} letters; thai-${weight}: ${points.length}`)
}
