const LF = 10
const CR = 13

const UNKNOWN = -1

function nextLineEnd(text: string, from: number): number {
  const found = text.indexOf('\n', from)
  return found < 0 ? Number.POSITIVE_INFINITY : found
}

/**
 * Turns offsets in a page's text into lines, columns and bytes while the page goes by. Offsets are asked for in
 * ascending order, so each piece of the text is walked once at most, and only up to the last tag that matters.
 */
export class Positions {
  private text = ''
  /** Offset of the text in hand within the page. */
  private base = 0
  private line = 1
  /** Offset at which the line starts, within the page. */
  private lineStart = 0
  /** Up to here lines are counted, within the page. */
  private counted = 0
  private hasCarriageReturn = false
  /** Next line end in the text in hand, so that a page without any is not searched again and again. */
  private nextEnd = UNKNOWN
  /** Up to here bytes are counted, within the page. */
  private measured = 0
  private bytes: number
  private isAscii = true
  /** The page begins with a byte order mark. */
  readonly hasByteOrderMark: boolean

  /** @param bomBytes bytes served before the first character */
  constructor(
    private readonly encoding: string,
    bomBytes: number,
  ) {
    this.bytes = bomBytes
    this.hasByteOrderMark = bomBytes > 0
  }

  /** Takes the next `piece`; `text` is what is in hand now, with it, and `base` its offset within the page. */
  extend(text: string, base: number, piece: string, isAscii: boolean): void {
    this.text = text
    this.base = base
    if (!isAscii) this.isAscii = false
    // Of the new piece alone: asking the whole of a page in many pieces would read it as many times.
    if (piece.includes('\r')) this.hasCarriageReturn = true
    this.nextEnd = UNKNOWN
  }

  release(): void {
    this.text = ''
  }

  /** Line and column, both from 1, of an offset within the page. */
  at(offset: number): { line: number; column: number } {
    if (offset > this.counted) this.countLines(offset)
    return { line: this.line, column: Math.max(1, offset - this.lineStart + 1) }
  }

  private countLines(offset: number): void {
    const { text, base } = this
    if (this.hasCarriageReturn) {
      for (let index = this.counted - base; index < offset - base; index++) {
        const unit = text.charCodeAt(index)
        if (unit === LF || (unit === CR && text.charCodeAt(index + 1) !== LF)) {
          this.line++
          this.lineStart = base + index + 1
        }
      }
    } else {
      if (this.nextEnd === UNKNOWN) this.nextEnd = nextLineEnd(text, this.counted - base)
      while (this.nextEnd < offset - base) {
        this.line++
        this.lineStart = base + this.nextEnd + 1
        this.nextEnd = nextLineEnd(text, this.nextEnd + 1)
      }
    }
    this.counted = offset
  }

  /** Bytes as served before an offset within the page, a byte order mark included. */
  bytesBefore(offset: number): number {
    if (offset <= this.measured) return this.bytes
    if (this.isAscii && !this.isWide()) this.bytes += offset - this.measured
    else {
      const end = offset - this.base
      for (let index = this.measured - this.base; index < end; index++) {
        this.bytes += bytesOfUnit(this.text.charCodeAt(index), this.encoding)
      }
    }
    this.measured = offset
    return this.bytes
  }

  private isWide(): boolean {
    return this.encoding.startsWith('utf-16')
  }
}

/** Bytes that one UTF-16 unit stands for. Exact for UTF-8, UTF-16 and single-byte encodings. */
function bytesOfUnit(unit: number, encoding: string): number {
  // Half of a surrogate pair: four bytes for both in either encoding.
  if (encoding === 'utf-8') return unit < 0x80 ? 1 : unit < 0x800 ? 2 : unit >= 0xd800 && unit <= 0xdfff ? 2 : 3
  if (encoding.startsWith('utf-16')) return 2
  return unit < 0x80 || !/^(?:gb|big5|euc|shift|iso-2022)/.test(encoding) ? 1 : 2
}
