import { readFileSync } from 'node:fs'
import { create, type Font } from 'fontkit'
import type { Drawing } from '@/core/sheet'
import { faceFiles } from './face-files'

type TextStep = Extract<Drawing['steps'][number], { kind: 'text' }>

const opened = new Map<string, Font>()

/** A font file of ours, opened once. */
export function fontAt(file: string): Font {
  const known = opened.get(file)
  if (known) return known
  const font = create(readFileSync(file))
  // Files are of one face: a collection of several is none of ours.
  if (!('glyphForCodePoint' in font)) throw new Error(`${file} is no font.`)
  opened.set(file, font)
  return font
}

/** Scripts whose letters join, stack or run from the right: setting them takes more than one letter after the other. */
const SHAPED =
  /[\u0590-\u08FF\u0900-\u109F\u1780-\u17FF\uFB1D-\uFDFF\uFE70-\uFEFC\u200E\u200F\u202A-\u202E\u2066-\u2069]/

/** Nothing is drawn for these, and no face needs a letter for them. */
const UNSEEN = /[\p{Cc}\u200B-\u200D\u2060\uFEFF]/u

/** A line's letters by the file that has them; null where some letter is in none. */
function runsOf(text: string, weight: number): { font: Font; text: string }[] | null {
  const fonts = faceFiles().filter((part) => part.weight === weight)
  const runs: { font: Font; text: string }[] = []
  for (const letter of text) {
    if (UNSEEN.test(letter)) continue
    const point = letter.codePointAt(0)!
    const last = runs.at(-1)
    if (last?.font.hasGlyphForCodePoint(point)) {
      last.text += letter
      continue
    }
    const file = fonts.find((part) => fontAt(part.file).hasGlyphForCodePoint(point))?.file
    if (file === undefined) return null
    runs.push({ font: fontAt(file), text: letter })
  }
  return runs
}

/**
 * A line as the path of its letters, at its place: drawn alike on every machine, whatever fonts it has. null where the
 * face lacks a letter of it, or sets it one by one where they belong together.
 */
export function outlineText({ text, x, baseline, sizePx, weight }: TextStep): string | null {
  if (SHAPED.test(text)) return null
  const runs = runsOf(text, weight)
  if (!runs) return null
  let at = x
  let path = ''
  for (const { font, text: part } of runs) {
    const scale = sizePx / font.unitsPerEm
    const { glyphs, positions } = font.layout(part)
    for (const [index, glyph] of glyphs.entries()) {
      const { xAdvance, xOffset, yOffset } = positions[index]!
      const placed = glyph.path.scale(scale, -scale).translate(at + xOffset * scale, baseline - yOffset * scale)
      path += placed.toSVG()
      at += xAdvance * scale
    }
  }
  return path
}
