import type { SourceLine } from '../../model'
import { afterLineEnd, LineIndex, nextLineEnd } from '../lines'
import type { SourceRowsWanted } from '../read-page'
import { copyString } from './copy-string'
import type { Positions } from './positions'

/** A line longer than this is shown tag by tag: some generators write the whole head on one line. */
const LONG_LINE = 160
/** What is kept of one row. */
const ROW_CHARACTERS = 400
/** Rows kept of a head: beyond that it is script, which is not read here. */
const HEAD_ROWS = 300
/** Lines kept of a script or style in the head. */
const SCRIPT_LINES = 6

/** Offsets within a text. */
export type Span = { start: number; end: number }

/** A piece of source as it is shown. */
function rowText(text: string, start: number, end: number): string {
  const raw = copyString(text.slice(start, Math.min(end, start + ROW_CHARACTERS)))
  return end > start + ROW_CHARACTERS ? `${raw}…` : raw
}

/** Where the first line of a text ends. */
function lengthOfLine(text: string): number {
  const feed = text.indexOf('\n')
  const line = feed < 0 ? text : text.slice(0, feed)
  const carriage = line.indexOf('\r')
  return carriage < 0 ? line.length : carriage
}

/** Lines inside long scripts and styles, which are left out but for the first few. */
function hiddenLines(text: string, scripts: Span[]): Span[] {
  if (scripts.length === 0) return []
  const lines = new LineIndex(text)
  return scripts.flatMap(({ start, end }) => {
    const first = lines.positionOf(start).line + SCRIPT_LINES
    const last = lines.positionOf(end).line - 1
    return last > first ? [{ start: first, end: last }] : []
  })
}

/** Nothing but white space. The first character decides of nearly every piece. */
function isBlankPiece(text: string, start: number, end: number): boolean {
  const first = text.charCodeAt(start)
  return start >= end || ((first <= 32 || first > 126) && text.slice(start, end).trim() === '')
}

/**
 * The rows of a head: its lines, long ones cut where a tag starts.
 * @param text the source up to the end of the last tag of the head
 * @param starts offsets of the tags and comments of the head, ascending
 * @param scripts scripts and styles of the head
 */
function headRows(text: string, starts: number[], scripts: Span[]): SourceLine[] {
  const hidden = hiddenLines(text, scripts)
  const rows: SourceLine[] = []
  let next = 0
  let lineStart = 0
  for (let line = 1; lineStart < text.length && rows.length < HEAD_ROWS; line++) {
    const lineEnd = nextLineEnd(text, lineStart)
    const isLong = lineEnd - lineStart > LONG_LINE
    const isHidden = hidden.some((span) => line >= span.start && line <= span.end)
    let start = lineStart
    while (start < lineEnd) {
      while (next < starts.length && starts[next]! <= start) next++
      const cut = isLong && next < starts.length ? Math.min(starts[next]!, lineEnd) : lineEnd
      if (!isHidden && !isBlankPiece(text, start, cut)) {
        rows.push({ line, column: start - lineStart + 1, text: rowText(text, start, cut), inHead: true })
      }
      start = cut
    }
    lineStart = afterLineEnd(text, lineEnd)
  }
  return rows
}

/** Rows kept of the body. */
const BODY_ROWS = 100
/** Pictures of the content that are worth a row: those a place may take. */
const IMAGE_ROWS = 5
/** Starts of tags kept of a head. */
const HEAD_TAGS = 5000

/**
 * Keeps the lines of a page's source that a reader of its cards wants to see: the head, and of the body the heading,
 * the first paragraph, the first pictures, and tags that stand there by mistake.
 */
export class SourceRows {
  isHeadRead = false
  private text = ''
  private base = 0
  private headText = ''
  private headEnd = 0
  private readonly starts: number[] = []
  private readonly scripts: Span[] = []
  private images = 0
  private body: { offset: number; row: SourceLine }[] = []

  constructor(private readonly positions: Positions) {}

  extend(text: string, base: number): void {
    this.text = text
    this.base = base
  }

  /** A token of the head, or the one that opens the body; `previousEnd` is where the token before it ended. */
  noteToken(start: number, previousEnd: number): void {
    this.headEnd = previousEnd
    if (this.starts.length < HEAD_TAGS) this.starts.push(start)
  }

  noteScript(start: number, end: number): void {
    if (!this.isHeadRead) this.scripts.push({ start, end })
  }

  /** The head ends before the token noted last. */
  finishHead(): void {
    if (this.isHeadRead) return
    this.isHeadRead = true
    this.headText = this.text.slice(0, this.headEnd)
  }

  noteImage(offset: number): void {
    if (this.images++ < IMAGE_ROWS) this.note(offset, this.rowAt(offset, this.positions.at(offset)))
  }

  /** A tag of the body that is worth a row. */
  noteBodyTag(offset: number): void {
    this.note(offset, this.rowAt(offset, this.positions.at(offset)))
  }

  /** The row of a tag of the body that may turn out to be worth one; null in the head, whose rows are all kept. */
  rowAt(offset: number, at: { line: number; column: number }): SourceLine | null {
    const start = offset - this.base
    if (!this.isHeadRead || start < 0 || offset < this.headEnd) return null
    const row = this.text.slice(start, start + ROW_CHARACTERS + 1)
    return { line: at.line, column: at.column, text: rowText(row, 0, lengthOfLine(row)), inHead: false }
  }

  note(offset: number, row: SourceLine | null): void {
    if (row && this.body.length < BODY_ROWS && this.body.every((noted) => noted.offset !== offset)) {
      this.body.push({ offset, row })
    }
  }

  forgetBody(): void {
    this.body = []
    this.images = 0
  }

  /** The page is over. @param end offset after its last token */
  finish(end: number): void {
    if (this.isHeadRead) return
    this.headEnd = end
    this.finishHead()
  }

  /** The rows that are wanted, once the page is over; to be asked for once, since the text they are cut from is let go of. */
  result(which: SourceRowsWanted): SourceLine[] {
    if (which === 'commented') {
      const hasComment = this.headText.includes('<!--')
      const rows = hasComment ? headRows(this.headText, this.starts, this.scripts) : []
      this.headText = ''
      return rows
    }
    this.body.sort((a, b) => a.offset - b.offset)
    const head = headRows(this.headText, this.starts, this.scripts)
    this.headText = ''
    return [...head, ...this.body.map(({ row }) => row)]
  }
}
