import { decodeHTMLAttribute } from 'entities'

const TAB = 9
const LF = 10
const FF = 12
const CR = 13
const SPACE = 32
const DOUBLE_QUOTE = 34
const AMPERSAND = 38
const SINGLE_QUOTE = 39
const SLASH = 47
const EQUALS = 61
const GREATER = 62
/** Up to here a loop is faster than three searches. */
const SHORT = 24

/** ASCII white space as the tokenizer knows it. */
export function isSpace(unit: number): boolean {
  return unit === SPACE || unit === LF || unit === TAB || unit === CR || unit === FF
}

/** CR and CRLF are LF before anything is tokenized (13.2.3.5); NUL is U+FFFD in attributes and raw text. */
export function normalized(text: string): string {
  let result = text
  if (result.includes('\r')) result = result.replaceAll('\r\n', '\n').replaceAll('\r', '\n')
  return result.includes('\0') ? result.replaceAll('\0', '\uFFFD') : result
}

/** A text that means itself. Short ones, and most are, are looked through at once. */
export function isPlain(text: string): boolean {
  if (text.length > SHORT) return !text.includes('&') && !text.includes('\r') && !text.includes('\0')
  for (let index = 0; index < text.length; index++) {
    const unit = text.charCodeAt(index)
    if (unit === AMPERSAND || unit === CR || unit === 0) return false
  }
  return true
}

/**
 * Goes from the end of a tag's name to its end by the same states as {@link Attributes.read}, noting nothing.
 * @returns offset after the `>`; -1 when the text ends before it
 */
export function endOfTag(text: string, from: number): number {
  let index = from
  /** In an attribute's name, or after one that has no value yet: an `=` gives it one. */
  let isNamed = false
  for (;;) {
    const unit = text.charCodeAt(index++)
    if (unit > GREATER) isNamed = true
    else if (unit === GREATER) return index
    else if (unit === EQUALS && isNamed) {
      isNamed = false
      while (isSpace(text.charCodeAt(index))) index++
      const first = text.charCodeAt(index)
      if (first === DOUBLE_QUOTE || first === SINGLE_QUOTE) {
        index = text.indexOf(first === DOUBLE_QUOTE ? '"' : "'", index + 1) + 1
        if (index === 0) return -1
      } else {
        while (index < text.length && text.charCodeAt(index) !== GREATER && !isSpace(text.charCodeAt(index))) index++
      }
    } else if (unit === SLASH) isNamed = false
    else if (!isSpace(unit)) {
      if (index > text.length) return -1
      isNamed = true
    }
  }
}

/** The attributes of one tag, as places in the text: strings are made only of those that are asked for. */
export class Attributes {
  private text = ''
  private count = 0
  private names: number[] = []
  private nameEnds: number[] = []
  private values: number[] = []
  private valueEnds: number[] = []
  /** The tag ends in `/>`. */
  isSelfClosing = false

  /**
   * Reads from the end of a tag's name to its end: the states "before attribute name" to "after attribute value
   * (quoted)" and "self-closing start tag" (13.2.5.32 to 13.2.5.40).
   * @returns offset after the `>`; -1 when the text ends before it
   */
  read(text: string, from: number): number {
    const { length } = text
    this.text = text
    this.isSelfClosing = false
    let count = 0
    let index = from
    for (;;) {
      // Before attribute name.
      let unit = text.charCodeAt(index)
      while (isSpace(unit) || unit === SLASH) {
        if (unit === SLASH && text.charCodeAt(index + 1) === GREATER) {
          this.isSelfClosing = true
          this.count = count
          return index + 2
        }
        unit = text.charCodeAt(++index)
      }
      if (unit === GREATER) {
        this.count = count
        return index + 1
      }
      if (index >= length) return -1
      // Attribute name: an `=` in the first place belongs to it.
      const name = index
      unit = text.charCodeAt(++index)
      while (
        unit > GREATER ||
        (unit !== EQUALS && unit !== GREATER && unit !== SLASH && !isSpace(unit) && index < length)
      ) {
        unit = text.charCodeAt(++index)
      }
      this.names[count] = name
      this.nameEnds[count] = index
      // After attribute name.
      while (isSpace(unit)) unit = text.charCodeAt(++index)
      if (unit !== EQUALS) {
        this.values[count] = index
        this.valueEnds[count++] = index
        continue
      }
      // Before attribute value.
      unit = text.charCodeAt(++index)
      while (isSpace(unit)) unit = text.charCodeAt(++index)
      if (unit === DOUBLE_QUOTE || unit === SINGLE_QUOTE) {
        const end = text.indexOf(unit === DOUBLE_QUOTE ? '"' : "'", index + 1)
        if (end < 0) return -1
        this.values[count] = index + 1
        this.valueEnds[count++] = end
        index = end + 1
        continue
      }
      // Attribute value (unquoted); a `>` here means that the value is missing.
      const value = index
      while (unit !== GREATER && !isSpace(unit) && index < length) unit = text.charCodeAt(++index)
      this.values[count] = value
      this.valueEnds[count++] = index
    }
  }

  release(): void {
    this.text = ''
    this.count = 0
  }

  /** Value of an attribute, its references decoded; of two with one name, the first. Null when there is none. */
  get(name: string): string | null {
    for (let at = 0; at < this.count; at++) {
      if (!this.isNamed(at, name)) continue
      const raw = this.text.slice(this.values[at]!, this.valueEnds[at]!)
      return isPlain(raw) ? raw : decodeHTMLAttribute(normalized(raw))
    }
    return null
  }

  /**
   * Where an attribute stands in the text, from its name to the end of its value, quotes included; of two with one
   * name, the first. Null when there is none.
   */
  spanOf(name: string): { start: number; end: number } | null {
    for (let at = 0; at < this.count; at++) {
      if (!this.isNamed(at, name)) continue
      const start = this.names[at]!
      const [value, end] = [this.values[at]!, this.valueEnds[at]!]
      const before = this.text.charCodeAt(value - 1)
      const isQuoted = value > this.nameEnds[at]! && (before === DOUBLE_QUOTE || before === SINGLE_QUOTE)
      // Without a value, what lies between the name and the next attribute is not the attribute's.
      return { start, end: value === end && !isQuoted ? this.nameEnds[at]! : end + (isQuoted ? 1 : 0) }
    }
    return null
  }

  /**
   * Words that stand behind the value of an attribute without quotes and have no value themselves, as written: what
   * somebody meant to belong to it. Null where it has quotes, or nothing of the kind follows.
   */
  wordsAfter(name: string): string | null {
    for (let at = 0; at < this.count; at++) {
      if (!this.isNamed(at, name)) continue
      const value = this.values[at]!
      const before = this.text.charCodeAt(value - 1)
      const hasQuotes = before === DOUBLE_QUOTE || before === SINGLE_QUOTE
      if (hasQuotes || this.valueEnds[at]! === value) return null
      let last = at
      while (last + 1 < this.count && this.values[last + 1] === this.valueEnds[last + 1]) last++
      return last === at ? null : this.text.slice(this.names[at + 1]!, this.nameEnds[last]!)
    }
    return null
  }

  /** @param name in lower case */
  private isNamed(at: number, name: string): boolean {
    const start = this.names[at]!
    if (this.nameEnds[at]! - start !== name.length) return false
    for (let index = 0; index < name.length; index++) {
      const unit = this.text.charCodeAt(start + index)
      if ((unit >= 65 && unit <= 90 ? unit | 0x20 : unit) !== name.charCodeAt(index)) return false
    }
    return true
  }
}
