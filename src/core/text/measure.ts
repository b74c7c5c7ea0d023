import { joinedWidthEm } from './joining'
import arimo400 from './widths/arimo-400.json' with { type: 'json' }
import arimo600 from './widths/arimo-600.json' with { type: 'json' }
import arimo700 from './widths/arimo-700.json' with { type: 'json' }
import thai400 from './widths/thai-400.json' with { type: 'json' }
import thai600 from './widths/thai-600.json' with { type: 'json' }
import thai700 from './widths/thai-700.json' with { type: 'json' }

/** Weights of the measuring face that have a table of widths. */
export type Weight = 400 | 600 | 700

type WidthFile = { unitsPerEm: number; runs: (number | number[])[][] }
type KernedFile = WidthFile & { kerning: number[][] }

/** Code point → advance width in em. */
function widthsOf(file: WidthFile): Map<number, number> {
  const widths = new Map<number, number>()
  for (const [first, run] of file.runs as [number, number[]][]) {
    run.forEach((width, index) => {
      widths.set(first + index, width / file.unitsPerEm)
    })
  }
  return widths
}

/** First code point → second code point → how much closer (or wider) the two stand, in em. */
function kerningOf(file: KernedFile): Map<number, Map<number, number>> {
  return new Map(
    file.kerning.map(([first, ...pairs]) => {
      const seconds = new Map<number, number>()
      for (let at = 0; at < pairs.length; at += 2) seconds.set(pairs[at]!, pairs[at + 1]! / file.unitsPerEm)
      return [first!, seconds]
    }),
  )
}

const KERNING: Record<Weight, Map<number, Map<number, number>>> = {
  400: kerningOf(arimo400),
  600: kerningOf(arimo600),
  700: kerningOf(arimo700),
}

const TABLES: Record<Weight, Map<number, number>> = {
  400: new Map([...widthsOf(thai400), ...widthsOf(arimo400)]),
  600: new Map([...widthsOf(thai600), ...widthsOf(arimo600)]),
  700: new Map([...widthsOf(thai700), ...widthsOf(arimo700)]),
}

/** Emoji stand wider than their type size in the common emoji faces (1.17 to 1.37 em); in Noto Emoji 2600 of 2048 units. */
const EMOJI_EM = 1.27
/** Where the face has no glyph and we know nothing better: about a small letter of it. */
const UNKNOWN_EM = 0.556

const EMOJI = /\p{Emoji_Presentation}|\p{Extended_Pictographic}\uFE0F/u
const WIDE_SCRIPT =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}\p{Script=Bopomofo}\u3000-\u303F\u30A0-\u30FF\u3200-\u33FF\uFE30-\uFE4F\uFF01-\uFF60\uFFE0-\uFFE6]/u
const NO_WIDTH = /[\p{Mn}\p{Me}\p{Cf}\p{Cc}]/u

const graphemes = new Intl.Segmenter('und', { granularity: 'grapheme' })

/** Printable ASCII: every code unit is a grapheme of its own, so the segmenter need not be asked. */
const PLAIN = /^[ -~]*$/

/**
 * The user-perceived characters of a text: what must never be split.
 *
 * The segmenter's time grows with the square of a long text's length (seen on V8: 500,000 characters take minutes),
 * so callers bound the length first.
 */
export function splitGraphemes(text: string): string[] {
  if (PLAIN.test(text)) return text.split('')
  const parts: string[] = []
  for (const { segment } of graphemes.segment(text)) parts.push(segment)
  return parts
}

function codePointWidthEm(character: string, weight: Weight): number {
  const known = TABLES[weight].get(character.codePointAt(0) ?? 0)
  if (known !== undefined && known > 0) return known
  if (NO_WIDTH.test(character)) return 0
  if (WIDE_SCRIPT.test(character)) return 1
  return known ?? UNKNOWN_EM
}

/** Width of one grapheme in em. An emoji sequence is one glyph, however many code points it takes. */
export function graphemeWidthEm(grapheme: string, weight: Weight): number {
  if (grapheme.length === 1) return codePointWidthEm(grapheme, weight)
  if (EMOJI.test(grapheme)) return EMOJI_EM
  let width = 0
  for (const character of grapheme) width += codePointWidthEm(character, weight)
  return width
}

const FULL_OPENING = /^[「『（【〈《〔［｛〘〖]/
const FULL_CLOSING = /^[、。，．」』）】〉》〕］｝〙〗]/
/** Signs and letters of full width begin with the block of CJK punctuation. */
const FIRST_FULL_WIDTH = 0x3000
/** Each full-width sign of these stands in half of its room, the other half is empty. */
const HALF_EM = 0.5

/**
 * How much two neighbouring full-width signs share of their empty halves, in em: as browsers set them where the face
 * can (CSS Text 4, `text-spacing-trim: normal`).
 */
const trimmedEm = (before: string, after: string): number =>
  (FULL_CLOSING.test(before) && (FULL_CLOSING.test(after) || FULL_OPENING.test(after))) ||
  (FULL_OPENING.test(before) && FULL_OPENING.test(after))
    ? -HALF_EM
    : 0

/** How much closer (negative) or wider two neighbouring graphemes stand than their widths say, in em. */
function kerningEm(before: string, after: string, weight: Weight): number {
  // Marks stand on the letter before them; the pair is that of the letters.
  const first = before.codePointAt(0) ?? 0
  if (first >= FIRST_FULL_WIDTH) return trimmedEm(before, after)
  const seconds = KERNING[weight].get(first)
  return (seconds && after !== '' ? seconds.get(after.codePointAt(0)!) : undefined) ?? 0
}

/** Width of a grapheme between its neighbours ('' at an end), in em: closer to some, and joined to others. */
export function widthBetweenEm(before: string, grapheme: string, after: string, weight: Weight): number {
  return (
    joinedWidthEm(before, grapheme, after, weight) ??
    graphemeWidthEm(grapheme, weight) + kerningEm(grapheme, after, weight)
  )
}

/** Printable ASCII: 0x20 to 0x7E. */
const [FIRST_PLAIN, PLAIN_COUNT] = [0x20, 95]

/** Widths of printable ASCII before each other sign of it, row by row, in em; the last column is before an end. */
function plainTable(weight: Weight): Float64Array {
  const table = new Float64Array(PLAIN_COUNT * (PLAIN_COUNT + 1))
  for (let first = 0; first < PLAIN_COUNT; first++) {
    const grapheme = String.fromCharCode(FIRST_PLAIN + first)
    for (let second = 0; second <= PLAIN_COUNT; second++) {
      const after = second === PLAIN_COUNT ? '' : String.fromCharCode(FIRST_PLAIN + second)
      table[first * (PLAIN_COUNT + 1) + second] = widthBetweenEm('', grapheme, after, weight)
    }
  }
  return table
}

const plainTables: Partial<Record<Weight, Float64Array>> = {}

/** Width of a text of printable ASCII in em, without parting it into graphemes; null where it holds another sign. */
export function plainWidthEm(text: string, weight: Weight): number | null {
  plainTables[weight] ??= plainTable(weight)
  const table = plainTables[weight]
  let em = 0
  let at = text.charCodeAt(0) - FIRST_PLAIN
  for (let index = 0; index < text.length; index++) {
    if (!(at >= 0 && at < PLAIN_COUNT)) return null
    const isLast = index + 1 === text.length
    const next = isLast ? PLAIN_COUNT : text.charCodeAt(index + 1) - FIRST_PLAIN
    if (!isLast && !(next >= 0 && next < PLAIN_COUNT)) return null
    em += table[at * (PLAIN_COUNT + 1) + next]!
    at = next
  }
  return em
}

/**
 * Width of a text in CSS px, set in the measuring face (Arimo, whose widths are those of the common system sans).
 *
 * @param sizePx type size in CSS px
 * @example measureText('Mending Hall', 16, 600) // ≈ 99.6
 */
export function measureText(text: string, sizePx: number, weight: Weight): number {
  const graphemes = splitGraphemes(text)
  let em = 0
  for (let index = 0; index < graphemes.length; index++)
    em += widthBetweenEm(graphemes[index - 1] ?? '', graphemes[index]!, graphemes[index + 1] ?? '', weight)
  return em * sizePx
}
