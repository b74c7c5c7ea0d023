import { splitGraphemes } from './measure'

/**
 * A grapheme of a text: offsets in code units, and whether a line may end after it. `widthEm` is for the caller to measure;
 * 0 until then.
 */
export type BreakPiece = {
  text: string
  widthEm: number
  start: number
  end: number
  isSpace: boolean
  breakAfter: boolean
}

const IDEOGRAPH = /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u
const NO_BREAK_BEFORE = /^[\p{Pe}\p{Pf}、。，．！？：；ー々〜…,.!?:;)\]}]/u
/** Scripts written without spaces between words, where a line may end at any word. */
const UNSPACED_SCRIPT = /[\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u

const words = new Intl.Segmenter('und', { granularity: 'word' })

/** Offsets at which a word of an unspaced script ends. */
function unspacedWordEnds(text: string): Set<number> {
  const ends = new Set<number>()
  if (!UNSPACED_SCRIPT.test(text)) return ends
  for (const { segment, index } of words.segment(text)) {
    if (UNSPACED_SCRIPT.test(segment)) ends.add(index + segment.length)
  }
  return ends
}

/** May a line end between these two graphemes? A short form of UAX #14: spaces, dashes, slashes, ideographs. */
function mayBreakBetween(last: string, before: string, after: string): boolean {
  if (after === '' || NO_BREAK_BEFORE.test(after)) return false
  if (before === '\u00AD' || before === '\u200B') return true
  // A minus keeps to its number; between letters or numbers it is a hyphen (as browsers have it).
  if (before === '-') return !/^\d/.test(after) || /^[A-Za-z0-9]$/.test(last)
  if (before === '–' || before === '—' || after === '—') return true
  if (before === '/') return !/^\d/.test(after)
  return IDEOGRAPH.test(before) || IDEOGRAPH.test(after)
}

/** A text as graphemes, with the places at which a line may end. */
export function breakPieces(text: string): BreakPiece[] {
  const wordEnds = unspacedWordEnds(text)
  const parts = splitGraphemes(text)
  let offset = 0
  return parts.map((grapheme, index) => {
    const start = offset
    offset += grapheme.length
    const isSpace = grapheme === ' '
    const after = parts[index + 1] ?? ''
    return {
      text: grapheme,
      widthEm: 0,
      start,
      end: offset,
      isSpace,
      breakAfter: isSpace || wordEnds.has(offset) || mayBreakBetween(parts[index - 1] ?? '', grapheme, after),
    }
  })
}
