import { type BreakPiece, breakPieces } from '../text'

/** Width of a text at a type size, in px, in a face that the caller knows. */
export type Measure = (text: string, sizePx: number) => number

export type SetText = {
  lines: string[]
  sizePx: number
  /** The text has no room even at its smallest, and the last line ends with an ellipsis. */
  isCut: boolean
}

export type TextRoom = {
  width: number
  height: number
  largest: number
  smallest: number
  /** At most. */
  lines: number
  /** From line to line, in type sizes. */
  leading: number
}

const ELLIPSIS = '…'

/** Longer titles are cut here before anything is measured: no picture shows so much. */
const MAX_UNITS = 1000

const spanOf = (pieces: readonly BreakPiece[], from: number, to: number) =>
  pieces
    .slice(from, to)
    .map(({ text }) => text)
    .join('')
    .trim()

/** A word of a text: what stands between two places at which a line may end. */
type Word = { from: number; to: number }

function wordsOf(pieces: readonly BreakPiece[]): Word[] {
  const words: Word[] = []
  let from = 0
  pieces.forEach(({ breakAfter }, index) => {
    if (!breakAfter && index < pieces.length - 1) return
    words.push({ from, to: index + 1 })
    from = index + 1
  })
  return words
}

/** Lines of at most a width; null when one word alone is wider. */
function wrap(pieces: readonly BreakPiece[], words: readonly Word[], width: number, measure: (text: string) => number) {
  const lines: string[] = []
  let from = 0
  for (let index = 0; index < words.length; ) {
    let to = from
    let next = index
    while (next < words.length && measure(spanOf(pieces, from, words[next]!.to)) <= width) to = words[next++]!.to
    if (next === index) return null
    lines.push(spanOf(pieces, from, to))
    from = to
    index = next
  }
  return lines
}

/** Lines that are as wide as each other as can be, and no more of them: no last line of one short word. */
function balance(
  pieces: readonly BreakPiece[],
  words: readonly Word[],
  width: number,
  lines: string[],
  measure: (text: string) => number,
) {
  let [narrow, wide, best] = [width / 2, width, lines]
  while (lines.length > 1 && wide - narrow > width / 64) {
    const middle = (narrow + wide) / 2
    const tried = wrap(pieces, words, middle, measure)
    if (tried && tried.length <= lines.length) [wide, best] = [middle, tried]
    else narrow = middle
  }
  return best
}

/** As many lines as there may be, words broken where they must be, the rest dropped behind an ellipsis. */
function cutToRoom(pieces: readonly BreakPiece[], room: TextRoom, most: number, measure: (text: string) => number) {
  const lines: string[] = []
  let from = 0
  while (from < pieces.length && lines.length < most) {
    const isLast = lines.length === most - 1
    const reach = (to: number) => measure(spanOf(pieces, from, to) + (isLast && to < pieces.length ? ELLIPSIS : ''))
    let to = from + 1
    while (to < pieces.length && reach(to + 1) <= room.width) to++
    const isRest = to >= pieces.length
    if (!isRest) {
      const lastBreak = pieces.slice(from, to).findLastIndex(({ breakAfter }) => breakAfter)
      if (lastBreak > 0 && !isLast) to = from + lastBreak + 1
    }
    lines.push(spanOf(pieces, from, to) + (isLast && !isRest ? ELLIPSIS : ''))
    from = to
  }
  return { lines, isCut: from < pieces.length }
}

/**
 * Sets a text as large as its room allows, in lines of about one width. A word is never broken while a smaller size
 * keeps it whole; at the smallest size what has no room is cut, and said.
 *
 * @param measure in px; called a few dozen times
 */
export function setText(text: string, room: TextRoom, measure: Measure): SetText {
  const pieces = breakPieces(text.trim().replace(/\s+/g, ' ').slice(0, MAX_UNITS))
  if (pieces.length === 0) return { lines: [], sizePx: room.largest, isCut: false }
  const words = wordsOf(pieces)
  const linesAt = (sizePx: number) =>
    Math.max(1, Math.min(room.lines, Math.floor(room.height / (sizePx * room.leading))))
  const tryAt = (sizePx: number) => {
    const at = (line: string) => measure(line, sizePx)
    const lines = wrap(pieces, words, room.width, at)
    return lines && lines.length <= linesAt(sizePx) ? balance(pieces, words, room.width, lines, at) : null
  }
  const largest = Math.max(room.largest, room.smallest)
  let best = tryAt(largest)
  if (best) return { lines: best, sizePx: largest, isCut: false }
  let [fits, tooLarge] = [room.smallest, largest]
  best = tryAt(room.smallest)
  if (!best) {
    const cut = cutToRoom(pieces, room, linesAt(room.smallest), (line) => measure(line, room.smallest))
    return { ...cut, sizePx: room.smallest }
  }
  while (tooLarge - fits > 1) {
    const middle = (fits + tooLarge) >> 1
    const tried = tryAt(middle)
    if (tried) [fits, best] = [middle, tried]
    else tooLarge = middle
  }
  return { lines: best, sizePx: fits, isCut: false }
}
