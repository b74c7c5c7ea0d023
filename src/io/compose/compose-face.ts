import { create, type Font } from 'fontkit'
import type { FaceMetrics, PlacedLine } from '@/core/compose'
import { faceFiles } from '../sheet/face-files'
import { fontAt } from '../sheet/outline-text'

/** A face that pictures are set in: measured, looked through for letters, and drawn as outlines. */
export type ComposeFace = FaceMetrics & {
  /** Letters of a text that it has none for, each once. */
  lacking: (text: string) => string[]
  /** A line as the path of its letters. */
  outline: (line: PlacedLine, align: 'left' | 'center' | 'right', direction: 'ltr' | 'rtl') => string
}

/** What is set, and drawn by no face. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Zs}\p{Zl}\p{Zp}]|\p{Variation_Selector}/u

type Run = { font: Font; text: string }

/** A line by the fonts that have its letters; what none has goes with its neighbours. */
function runsOf(text: string, fonts: readonly Font[]): Run[] {
  const runs: Run[] = []
  for (const letter of text) {
    const point = letter.codePointAt(0)!
    const last = runs.at(-1)
    const font =
      last && (UNSEEN.test(letter) || last.font.hasGlyphForCodePoint(point))
        ? last.font
        : (fonts.find((one) => one.hasGlyphForCodePoint(point)) ?? last?.font ?? fonts[0]!)
    if (last?.font === font) last.text += letter
    else runs.push({ font, text: letter })
  }
  return runs
}

/** A face of some fonts, the first that has a letter draws it. */
function faceOf(fonts: readonly Font[]): ComposeFace {
  const first = fonts[0]!
  const laidOut = (text: string, direction?: 'ltr' | 'rtl') => {
    const runs = runsOf(text, fonts).map(({ font, text: part }) => ({
      font,
      run: font.layout(part, undefined, undefined, undefined, direction),
    }))
    // Read from the right, what comes first stands last.
    return direction === 'rtl' ? runs.reverse() : runs
  }
  const measure = (text: string, sizePx: number) =>
    laidOut(text).reduce((sum, { font, run }) => sum + (run.advanceWidth * sizePx) / font.unitsPerEm, 0)
  return {
    measure,
    ascent: first.ascent / first.unitsPerEm,
    descent: -first.descent / first.unitsPerEm,
    lacking: (text) => [
      ...new Set(
        [...text].filter(
          (letter) => !UNSEEN.test(letter) && !fonts.some((font) => font.hasGlyphForCodePoint(letter.codePointAt(0)!)),
        ),
      ),
    ],
    outline({ text, x, y, sizePx }, align, direction) {
      const width = measure(text, sizePx)
      let at = x - { left: 0, center: width / 2, right: width }[align]
      let path = ''
      for (const { font, run } of laidOut(text, direction)) {
        const scale = sizePx / font.unitsPerEm
        for (const [index, glyph] of run.glyphs.entries()) {
          const { xAdvance, xOffset, yOffset } = run.positions[index]!
          path += glyph.path
            .scale(scale, -scale)
            .translate(at + xOffset * scale, y - yOffset * scale)
            .toSVG()
          at += xAdvance * scale
        }
      }
      return path
    },
  }
}

/** The face can't be used. The message can be shown. */
export class BadFace extends Error {}

/** A font file that somebody chose, in a weight where it has several. */
export function ownFace(bytes: Uint8Array, weight: number): ComposeFace {
  let font: Font
  try {
    const opened = create(Buffer.from(bytes))
    if (!('glyphForCodePoint' in opened)) throw new BadFace('It is a collection of fonts: give one of them.')
    font = opened
  } catch (error) {
    throw error instanceof BadFace
      ? error
      : new BadFace('It is no font that can be read: TTF, OTF, WOFF and WOFF2 can.')
  }
  if (Object.keys(font.variationAxes).length === 0) return faceOf([font])
  try {
    return faceOf([font.getVariation({ wght: weight })])
  } catch {
    throw new BadFace('It holds many weights in a packed form, of which none can be taken here: give it as TTF.')
  }
}

/** The face that ships with the command, in the nearest of its weights; null where another family is asked for. */
export function shippedFace(family: string, weight: number): ComposeFace | null {
  if (family !== 'Arimo') return null
  const files = faceFiles()
  const weights = [...new Set(files.map((part) => part.weight))]
  const nearest = weights.sort((a, b) => Math.abs(a - weight) - Math.abs(b - weight) || b - a)[0]!
  const fonts = files.filter((part) => part.weight === nearest)
  // Latin first: its metrics are the face's.
  return faceOf(
    fonts.sort((a, b) => Number(b.subset === 'latin') - Number(a.subset === 'latin')).map(({ file }) => fontAt(file)),
  )
}
