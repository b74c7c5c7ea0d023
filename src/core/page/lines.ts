/** Finds lines and columns of offsets in a text. CRLF, LF and a lone CR each end a line. */
export class LineIndex {
  /** Offset at which each line starts; line 1 first. */
  private readonly starts: number[] = [0]

  constructor(private readonly text: string) {
    let next = Math.min(at(text, '\n', 0), at(text, '\r', 0))
    while (next < text.length) {
      const start = afterLineEnd(text, next)
      this.starts.push(start)
      next = nextLineEnd(text, start)
    }
  }

  get count(): number {
    return this.starts.length
  }

  /** Line and column, both from 1, of an offset in UTF-16 code units. */
  positionOf(offset: number): { line: number; column: number } {
    let low = 0
    let high = this.starts.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (this.starts[middle]! <= offset) low = middle
      else high = middle - 1
    }
    return { line: low + 1, column: offset - this.starts[low]! + 1 }
  }

  /** Offset of a line's first unit. */
  startOf(line: number): number {
    return this.starts[line - 1] ?? this.text.length
  }

  /** Offset after a line's last unit, its line end left out. */
  endOf(line: number): number {
    let end = this.starts[line] ?? this.text.length
    while (end > this.startOf(line) && (this.text.charCodeAt(end - 1) === 10 || this.text.charCodeAt(end - 1) === 13))
      end--
    return end
  }
}

function at(text: string, character: string, from: number): number {
  const found = text.indexOf(character, from)
  return found < 0 ? text.length : found
}

/** Offset after the line end that stands at `end`. */
export function afterLineEnd(text: string, end: number): number {
  return end + (text.charCodeAt(end) === 13 && text.charCodeAt(end + 1) === 10 ? 2 : 1)
}

/** Offset of the next line end; the text's length when there is none. */
export function nextLineEnd(text: string, from: number): number {
  for (let index = from; index < text.length; index++) {
    const unit = text.charCodeAt(index)
    if (unit === 10 || unit === 13) return index
  }
  return text.length
}
