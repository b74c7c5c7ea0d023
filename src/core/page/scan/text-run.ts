import { decodeHTML } from 'entities'
import { isPlain, isSpace, normalized } from './attributes'
import type { TextRun } from './tree'

const NUL = 0
const AMPERSAND = 38

/** The characters between two tags. One object serves a whole page: most texts are never looked at. */
export class Run implements TextRun {
  private text = ''
  private start = 0
  private end = 0
  private isMarkup = true
  /** What stands for a NUL: nothing in the body. */
  private nul = ''
  private decoded: string | null = null

  release(): void {
    this.text = ''
    this.decoded = null
  }

  /** @param isMarkup character references count (not so in a CDATA section) */
  set(text: string, start: number, end: number, isMarkup: boolean): this {
    this.text = text
    this.start = start
    this.end = end
    this.isMarkup = isMarkup
    this.decoded = null
    this.nul = ''
    return this
  }

  inForeign(): this {
    this.nul = '\uFFFD'
    return this
  }

  get value(): string {
    if (this.decoded === null) {
      const raw = this.text.slice(this.start, this.end)
      this.decoded = isPlain(raw) ? raw : this.decode(raw)
    }
    return this.decoded
  }

  private decode(text: string): string {
    const raw = normalized(text.replaceAll('\0', this.nul))
    return this.isMarkup && raw.includes('&') ? decodeHTML(raw) : raw
  }

  get isBlank(): boolean {
    return this.isOnly(false)
  }

  get isSilent(): boolean {
    return this.isOnly(true)
  }

  get isNothing(): boolean {
    return isNothing(this.text, this.start, this.end)
  }

  private isOnly(isNulSilent: boolean): boolean {
    for (let index = this.start; index < this.end; index++) {
      const unit = this.text.charCodeAt(index)
      if (isSpace(unit) || (isNulSilent && unit === NUL)) continue
      // A reference may be white space too.
      if (unit !== AMPERSAND || !this.isMarkup) return false
      return isBlankText(decodeHTML(this.text.slice(this.start, this.end)), isNulSilent)
    }
    return true
  }
}

/** Nothing but NUL. */
export function isNothing(text: string, start: number, end: number): boolean {
  for (let index = start; index < end; index++) if (text.charCodeAt(index) !== NUL) return false
  return true
}

function isBlankText(text: string, isNulSilent: boolean): boolean {
  for (let index = 0; index < text.length; index++) {
    const unit = text.charCodeAt(index)
    if (!isSpace(unit) && !(isNulSilent && unit === NUL)) return false
  }
  return true
}
