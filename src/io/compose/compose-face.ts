import { create, type Font } from 'fontkit'
import type { FaceMetrics, PlacedLine } from '@/core/compose'
import { faceFiles } from '../sheet/face-files'
import { fontAt } from '../sheet/outline-text'

/** A face that pictures are set in: measured, looked through for letters, and drawn as outlines. */
export type ComposeFace = FaceMetrics & {
  /** Letters of a text that it has none for, each once. */
  lacking: (text: string) => string[]
  /** Letters that the face which ships stands in for, since none that was chosen has them. */
  standsInFor: (text: string) => string[]
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

/** Letters of a text that no font has, each once. */
const lackedBy = (fonts: readonly Font[], text: string): string[] => [
  ...new Set(
    [...text].filter(
      (letter) => !UNSEEN.test(letter) && !fonts.some((font) => font.hasGlyphForCodePoint(letter.codePointAt(0)!)),
    ),
  ),
]

/** A face of some fonts, the first that has a letter draws it. @param chosen those that somebody named */
function faceOf(fonts: readonly Font[], chosen: readonly Font[]): ComposeFace {
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
    lacking: (text) => lackedBy(fonts, text),
    standsInFor: (text) => lackedBy(chosen, text),
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

/**
 * A font of a file that somebody chose, in a weight where it has several.
 *
 * @throws BadFace
 */
export function ownFont(bytes: Uint8Array, weight: number): Font {
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
  if (Object.keys(font.variationAxes).length === 0) return font
  try {
    return font.getVariation({ wght: weight })
  } catch {
    throw new BadFace('It holds many weights in a packed form, of which none can be taken here: give it as TTF.')
  }
}

/** The family that ships with the command. */
export const SHIPPED_FAMILY = 'Arimo'

/** Its fonts in the nearest of its weights. */
function shippedFonts(weight: number): Font[] {
  const files = faceFiles()
  const weights = [...new Set(files.map((part) => part.weight))]
  const nearest = weights.sort((a, b) => Math.abs(a - weight) - Math.abs(b - weight) || b - a)[0]!
  const fonts = files.filter((part) => part.weight === nearest)
  // Latin first: its metrics are the face's.
  return fonts
    .sort((a, b) => Number(b.subset === 'latin') - Number(a.subset === 'latin'))
    .map(({ file }) => fontAt(file))
}

/**
 * A face of fonts that somebody chose, and of the one that ships: it is the last to be asked for a letter, or the first
 * where it is the face itself.
 *
 * @param isShipped the fonts stand behind the face that ships
 */
export function composeFace(own: readonly Font[], weight: number, isShipped: boolean): ComposeFace {
  const shipped = shippedFonts(weight)
  return isShipped ? faceOf([...shipped, ...own], [...shipped, ...own]) : faceOf([...own, ...shipped], own)
}
