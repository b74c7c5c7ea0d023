import { parseJson } from '../model'

/** A field of an object as text, or one entry of a field that is taken apart: `isEntry`. */
export type FieldText = { key: string; text: string; isEntry: boolean }

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT, COMMA, COLON] = [
  0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d, 0x2c, 0x3a,
] as const

/** Blanks of JSON, and a byte order mark. */
const isBlank = (code: number) => code === 0x20 || (code >= 0x09 && code <= 0x0d) || code === 0xfeff

/** The name of a field as it is written; one that is none is left as it is, and what parses it says so. */
function nameIn(written: string): string {
  const read = parseJson(written)
  return read.ok ? String(read.value) : written
}

/**
 * Takes the text of one JSON object apart into its fields as it comes, in pieces of any length; of the lists
 * that are named each entry comes by itself. No text has to be as long as the whole, and every piece can be held to bounds before
 * anything reads it. What is in a piece is not looked at: what parses it finds what is no JSON.
 *
 * @example const fields = new ObjectEntries(new Set(['b']), 1000); [...fields.add('{"a":1,"b":[2,'), ...fields.add('3]}')]
 */
export class ObjectEntries {
  private depth = 0
  private isInText = false
  private isEscaped = false
  private key = ''
  private isList = false
  private piece = ''
  private hasBegun = false
  /** What is wrong with it; null as long as nothing is. */
  fault: string | null = null

  /**
   * @param lists fields that are taken apart where they are lists
   * @param maxCharacters of one field, or one entry
   */
  constructor(
    private readonly lists: ReadonlySet<string>,
    private readonly maxCharacters: number,
  ) {}

  /** Has the object been closed? What breaks off before is no document. */
  get isWhole(): boolean {
    return this.fault === null && this.hasBegun && this.depth === 0
  }

  /** The fields and entries that end in what came. */
  add(text: string): FieldText[] {
    const ended: FieldText[] = []
    let from = 0
    for (let at = 0; at < text.length && this.fault === null; at++) {
      if (this.isInText) {
        at = this.endOfText(text, at)
        continue
      }
      const code = text.charCodeAt(at)
      // Most of what stands outside of texts are blanks, letters and digits of values.
      if (code <= 0x20 || (code > COMMA && code < COLON) || (code > CLOSE_LIST && code < OPEN_OBJECT)) {
        if (this.depth > 0) continue
      }
      if (this.depth === 0) {
        this.outside(code)
        from = at + 1
        continue
      }
      if (code === QUOTE) this.isInText = true
      else if (code === OPEN_LIST || code === OPEN_OBJECT) {
        this.depth++
        if (code === OPEN_LIST && this.depth === 2 && this.lists.has(this.key) && this.isEmpty(text, from, at)) {
          this.isList = true
          from = at + 1
        }
      } else if (code === COLON && this.depth === 1) {
        this.key = nameIn(this.take(text, from, at))
        from = at + 1
      } else if (code === CLOSE_LIST || code === CLOSE_OBJECT || code === COMMA) {
        const edge = this.isList ? 2 : 1
        if (this.depth === edge) {
          this.end(this.take(text, from, at), ended)
          from = at + 1
        }
        if (code !== COMMA) this.depth--
        if (this.isList && this.depth === 1) this.isList = false
      }
    }
    this.piece += text.slice(from)
    if (this.piece.length > this.maxCharacters) this.fault = this.tooLong()
    return ended
  }

  /** Where a quoted text ends; where it goes on in the next piece, the end of this one. */
  private endOfText(text: string, from: number): number {
    let isEscaped = this.isEscaped
    let at = from
    for (; at < text.length; at++) {
      const code = text.charCodeAt(at)
      if (isEscaped) isEscaped = false
      else if (code === BACKSLASH) isEscaped = true
      else if (code === QUOTE) {
        this.isInText = false
        break
      }
    }
    this.isEscaped = isEscaped
    return at
  }

  private outside(code: number): void {
    if (isBlank(code)) return
    if (code === OPEN_OBJECT && !this.hasBegun) {
      this.hasBegun = true
      this.depth = 1
    } else
      this.fault = this.hasBegun ? 'Something follows after its end.' : 'It is no run document: it is no JSON object.'
  }

  private isEmpty(text: string, from: number, to: number): boolean {
    return this.piece.trim() === '' && text.slice(from, to).trim() === ''
  }

  private take(text: string, from: number, to: number): string {
    const whole = this.piece + text.slice(from, to)
    this.piece = ''
    return whole.trim()
  }

  private end(text: string, ended: FieldText[]): void {
    if (text.length > this.maxCharacters) this.fault = this.tooLong()
    else if (text !== '') {
      ended.push({ key: this.key, text, isEntry: this.isList })
      if (!this.isList) this.key = ''
    }
  }

  private tooLong(): string {
    return `${this.key || 'A field'} has an entry of more than ${this.maxCharacters} characters.`
  }
}
