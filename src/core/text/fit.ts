import { type BreakPiece, breakPieces } from './break-pieces'
import { graphemeWidthEm, plainWidthEm, type Weight, widthBetweenEm } from './measure'

/** The room a place gives a text. `maxCodePoints` is set where the place counts characters as well. */
export type TextBox = {
  sizePx: number
  weight: Weight
  widthPx: number
  lines: number
  maxCodePoints?: number | undefined
}

/** A text as a place shows it. `shown` is a prefix of the text, without the ellipsis that follows when `cut`. */
export type FittedText = { shown: string; cut: boolean; lines: string[] }

const ELLIPSIS = '…'
/** Texts that are kept in pieces: one page's, which all places break one after the other. */
const MAX_KEPT = 24
const kept = new Map<string, BreakPiece[]>()

/** Pieces with their widths. Every text of every card comes through here, for each place that shows it. */
function cutIntoPieces(text: string, weight: Weight): BreakPiece[] {
  const key = `${weight} ${text}`
  const known = kept.get(key)
  if (known) return known
  if (kept.size >= MAX_KEPT) kept.clear()
  const pieces = measured(text, weight)
  kept.set(key, pieces)
  return pieces
}

function measured(text: string, weight: Weight): BreakPiece[] {
  const pieces = breakPieces(text)
  for (let index = 0; index < pieces.length; index++) {
    const piece = pieces[index]!
    piece.widthEm = widthBetweenEm(pieces[index - 1]?.text ?? '', piece.text, pieces[index + 1]?.text ?? '', weight)
  }
  return pieces
}

/** Index after the last piece that a line starting at `from` holds. Spaces hang at its end and take no room. */
function endOfLine(pieces: BreakPiece[], from: number, roomEm: number): number {
  let width = 0
  let lastBreak = -1
  for (let index = from; index < pieces.length; index++) {
    const piece = pieces[index]!
    if (!piece.isSpace && width + piece.widthEm > roomEm) {
      if (lastBreak > from) return lastBreak
      // A word wider than the box is broken where it must be; a line always takes at least one grapheme.
      return Math.max(index, from + 1)
    }
    width += piece.widthEm
    if (piece.breakAfter) lastBreak = index + 1
  }
  return pieces.length
}

/** Index after the last piece that fits together with an ellipsis. */
function endBeforeEllipsis(pieces: BreakPiece[], from: number, to: number, roomEm: number, ellipsisEm: number): number {
  let width = 0
  let end = from
  for (let index = from; index < to; index++) {
    width += pieces[index]!.widthEm
    if (width + ellipsisEm > roomEm) break
    end = index + 1
  }
  return end
}

/** No letter of a text face is narrower than this; marks of no width are allowed for by the margin below. */
const NARROWEST_EM = 0.15
const MARGIN_UNITS = 1000

/** More code units than the box could ever show: what lies beyond is cut whatever it is, and is not looked at. */
function mostUnits(box: TextBox): number {
  return Math.ceil((box.lines * box.widthPx) / box.sizePx / NARROWEST_EM) + MARGIN_UNITS
}

/** Spaces at the end of a line hang over it. */
function withoutSpaceEnd(text: string): string {
  let end = text.length
  while (end > 0 && text.charCodeAt(end - 1) === 32) end--
  return text.slice(0, end)
}

const textOf = (pieces: BreakPiece[], from: number, to: number) =>
  withoutSpaceEnd(
    pieces
      .slice(from, to)
      .map((piece) => piece.text)
      .join(''),
  )

/**
 * Breaks a text into the lines of a box and cuts what has no room.
 *
 * The last line ends with an ellipsis when something was cut; its width counts. Of several lines the last breaks like
 * the others before the ellipsis is added, as CSS has it (line-clamp); a single line is filled (text-overflow). A grapheme is never split. Where the
 * place also counts characters (`maxCodePoints`), both limits apply and the shorter text wins.
 *
 * @param text collapsed and trimmed, as resolved for the card
 * @example fitText('Rewire a table lamp', { sizePx: 16, weight: 600, widthPx: 90, lines: 1 })
 *          // { shown: 'Rewire a t', cut: true, lines: ['Rewire a t'] }
 */
export function fitText(text: string, box: TextBox): FittedText {
  if (text !== '' && fitsPlainly(text, box)) return { shown: text, cut: false, lines: [text] }
  const head = text.slice(0, mostUnits(box))
  const all = cutIntoPieces(head, box.weight)
  const counted = box.maxCodePoints === undefined ? all : takeCodePoints(all, box.maxCodePoints)
  const cutByCount = counted.length < all.length || head.length < text.length
  const roomEm = box.widthPx / box.sizePx
  const ellipsisEm = graphemeWidthEm(ELLIPSIS, box.weight)
  const lines: string[] = []
  let from = 0
  while (from < counted.length && lines.length < box.lines) {
    const isLast = lines.length === box.lines - 1
    const to = endOfLine(counted, from, roomEm)
    const restFits = to >= counted.length
    if (restFits && !cutByCount) {
      lines.push(textOf(counted, from, to))
      return { shown: text, cut: false, lines }
    }
    if (isLast || restFits) {
      // One line is filled letter by letter; the last of several ends where it breaks, if the ellipsis has room there.
      const reach = box.lines === 1 || restFits ? counted.length : to
      const end = endBeforeEllipsis(counted, from, reach, roomEm, ellipsisEm)
      const line = textOf(counted, from, end)
      const shown = withoutSpaceEnd(text.slice(0, counted[end - 1]?.end ?? counted[from]?.start ?? 0))
      return { shown, cut: true, lines: [...lines, line] }
    }
    lines.push(textOf(counted, from, to))
    from = to
  }
  return { shown: '', cut: text !== '', lines }
}

/** Has a text of printable ASCII room in one line? Most titles have: they need not be parted into what a line breaks between. */
function fitsPlainly(text: string, { sizePx, weight, widthPx, lines, maxCodePoints }: TextBox): boolean {
  const roomEm = widthPx / sizePx
  if (lines < 1 || text.length > (maxCodePoints ?? Number.POSITIVE_INFINITY) || text.length * NARROWEST_EM > roomEm)
    return false
  // What hangs over at the end of a line takes no room: such a text is looked at piece by piece.
  if (text.endsWith(' ') || text.startsWith(' ')) return false
  const widthEm = plainWidthEm(text, weight)
  return widthEm !== null && widthEm <= roomEm
}

/** The pieces that hold at most so many code points. */
function takeCodePoints(pieces: BreakPiece[], most: number): BreakPiece[] {
  let count = 0
  for (let index = 0; index < pieces.length; index++) {
    count += [...pieces[index]!.text].length
    if (count > most) return pieces.slice(0, index)
  }
  return pieces
}
