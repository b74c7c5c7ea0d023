// Finds the encoding that a page declares for itself: "prescan a byte stream to determine its encoding" (HTML standard,
// 13.2.3.2), byte by byte. Names of steps are the standard's.
import { encodingNamed } from './encoding'

/** The standard looks this far. */
const PRESCAN_BYTES = 1024
/** Browsers go on while the head lasts; pages don't declare anything further than this. */
const HEAD_BYTES = 64 * 1024

const GREATER = 0x3e
const LESS = 0x3c
const SLASH = 0x2f
const EQUALS = 0x3d
const BANG = 0x21
const QUESTION = 0x3f
const DASH = 0x2d
const DOUBLE_QUOTE = 0x22
const SINGLE_QUOTE = 0x27

const isSpace = (byte: number | undefined) =>
  byte === 0x20 || byte === 0x0a || byte === 0x09 || byte === 0x0d || byte === 0x0c
const isLetter = (byte: number | undefined) => byte !== undefined && (byte | 0x20) >= 0x61 && (byte | 0x20) <= 0x7a
const lower = (byte: number) => (byte >= 0x41 && byte <= 0x5a ? byte | 0x20 : byte)

/** Elements that leave the head open; any other one ends it. */
const HEAD_ELEMENTS = new Set([
  'html',
  'head',
  'meta',
  'title',
  'link',
  'base',
  'style',
  'script',
  'noscript',
  'object',
])

/** Elements whose content is text alone. */
const TEXT_ELEMENTS = new Set(['script', 'style', 'title'])

class Prescan {
  private position = 0
  private isInHead = true

  constructor(private readonly bytes: Uint8Array) {}

  /** Is there something to look at? Beyond the standard's bytes only while the head lasts. */
  private get goesOn(): boolean {
    const { position, bytes } = this
    return position < bytes.length && position < HEAD_BYTES && (position < PRESCAN_BYTES || this.isInHead)
  }

  encoding(): string | null {
    for (; this.goesOn; this.position++) {
      const { bytes, position } = this
      if (bytes[position] !== LESS) continue
      const next = bytes[position + 1]
      if (this.startsWith('<!--')) this.skipComment()
      else if (this.isMeta()) {
        this.position += 5
        const found = this.encodingOfMeta()
        if (found) return found
      } else if (isLetter(next) || (next === SLASH && isLetter(bytes[position + 2]))) this.skipTag()
      else if (next === BANG || next === SLASH || next === QUESTION) this.skipTo(GREATER)
    }
    return null
  }

  /** In lower case, at the position. */
  private startsWith(text: string): boolean {
    for (let index = 0; index < text.length; index++) {
      const byte = this.bytes[this.position + index]
      if (byte === undefined || lower(byte) !== text.charCodeAt(index)) return false
    }
    return true
  }

  private isMeta(): boolean {
    const after = this.bytes[this.position + 5]
    return this.startsWith('<meta') && (isSpace(after) || after === SLASH)
  }

  private skipTo(byte: number): void {
    const found = this.bytes.indexOf(byte, this.position)
    this.position = found < 0 ? this.bytes.length : found
  }

  /** `<!-->` is a whole comment: its dashes may be the same that end it. */
  private skipComment(): void {
    const { bytes } = this
    for (let index = this.position + 4; index < bytes.length; index++) {
      if (bytes[index] === GREATER && bytes[index - 1] === DASH && bytes[index - 2] === DASH) {
        this.position = index
        return
      }
    }
    this.position = bytes.length
  }

  private skipTag(): void {
    const { bytes } = this
    const isEnd = bytes[this.position + 1] === SLASH
    const start = this.position + (isEnd ? 2 : 1)
    let end = start
    while (end < bytes.length && !isSpace(bytes[end]) && bytes[end] !== GREATER) end++
    const name = String.fromCharCode(...bytes.subarray(start, Math.min(end, start + 16)).map(lower)).split('/')[0]!
    if (isEnd ? name === 'head' : !HEAD_ELEMENTS.has(name)) this.isInHead = false
    this.position = end
    while (this.attribute());
    if (!isEnd && TEXT_ELEMENTS.has(name)) this.skipContent(name)
  }

  /** Content that is text alone holds no tags; browsers look for none in it. */
  private skipContent(name: string): void {
    for (; this.goesOn; this.position++) if (this.startsWith(`</${name}`)) break
    // The end tag is looked at in its turn.
    this.position--
  }

  private encodingOfMeta(): string | null {
    const seen = new Set<string>()
    let gotPragma = false
    let needPragma: boolean | null = null
    let charset: string | null = null
    for (let attribute = this.attribute(); attribute; attribute = this.attribute()) {
      const { name, value } = attribute
      if (seen.has(name)) continue
      seen.add(name)
      if (name === 'http-equiv') gotPragma ||= value === 'content-type'
      else if (name === 'content') {
        const found: string | null = charset === null ? encodingInContent(value) : null
        if (found !== null) {
          charset = found
          needPragma = true
        }
      } else if (name === 'charset') {
        charset = encodingNamed(value.trim())
        needPragma = false
      }
    }
    if (needPragma === null || (needPragma && !gotPragma) || charset === null) return null
    return declared(charset)
  }

  /** The standard's "get an attribute"; null where the tag ends. Name and value in lower case. */
  private attribute(): { name: string; value: string } | null {
    const { bytes } = this
    while (isSpace(bytes[this.position]) || bytes[this.position] === SLASH) this.position++
    if (this.position >= bytes.length || bytes[this.position] === GREATER) return null
    const nameStart = this.position
    for (;;) {
      const byte = bytes[this.position]
      if (byte === undefined) return null
      if (byte === EQUALS && this.position > nameStart) break
      if (byte === SLASH || byte === GREATER) return { name: this.text(nameStart, this.position), value: '' }
      if (isSpace(byte)) {
        const name = this.text(nameStart, this.position)
        while (isSpace(bytes[this.position])) this.position++
        if (bytes[this.position] !== EQUALS) return { name, value: '' }
        return this.attributeValue(name)
      }
      this.position++
    }
    return this.attributeValue(this.text(nameStart, this.position))
  }

  /** From the `=` on. */
  private attributeValue(name: string): { name: string; value: string } | null {
    const { bytes } = this
    this.position++
    while (isSpace(bytes[this.position])) this.position++
    const first = bytes[this.position]
    if (first === DOUBLE_QUOTE || first === SINGLE_QUOTE) {
      const end = bytes.indexOf(first, this.position + 1)
      if (end < 0) {
        this.position = bytes.length
        return null
      }
      const value = this.text(this.position + 1, end)
      this.position = end + 1
      return { name, value }
    }
    const start = this.position
    while (this.position < bytes.length && !isSpace(bytes[this.position]) && bytes[this.position] !== GREATER)
      this.position++
    return this.position < bytes.length ? { name, value: this.text(start, this.position) } : null
  }

  /** Latin-1, in lower case. No name or label is long. */
  private text(start: number, end: number): string {
    let text = ''
    for (let index = start; index < end && index < start + 300; index++)
      text += String.fromCharCode(lower(this.bytes[index]!))
    return text
  }
}

/** What a declaration comes to: a page that can be read as ASCII is not UTF-16, whatever it says. */
function declared(encoding: string): string {
  if (encoding.startsWith('utf-16')) return 'utf-8'
  return encoding === 'x-user-defined' ? 'windows-1252' : encoding
}

/** "Algorithm for extracting a character encoding from a meta element": `charset=` wherever it stands in the value. */
function encodingInContent(content: string): string | null {
  const text = content.toLowerCase()
  for (let at = text.indexOf('charset'); at >= 0; at = text.indexOf('charset', at + 1)) {
    let index = at + 'charset'.length
    while (isSpace(text.charCodeAt(index))) index++
    if (text[index] !== '=') continue
    index++
    while (isSpace(text.charCodeAt(index))) index++
    const quote = text[index]
    if (quote === '"' || quote === "'") {
      const end = text.indexOf(quote, index + 1)
      return end < 0 ? null : encodingNamed(text.slice(index + 1, end))
    }
    let end = index
    while (end < text.length && !isSpace(text.charCodeAt(end)) && text[end] !== ';') end++
    return encodingNamed(text.slice(index, end))
  }
  return null
}

/** "Get an XML encoding": of a declaration `<?xml … encoding="…"` that begins the bytes. */
function xmlEncoding(bytes: Uint8Array): string | null {
  const start = String.fromCharCode(...bytes.subarray(0, PRESCAN_BYTES))
  const end = start.indexOf('>')
  if (!start.startsWith('<?xml') || end < 0) return null
  const named = start.indexOf('encoding', 5)
  if (named < 0 || named > end) return null
  const isBlank = (at: number) => start.charCodeAt(at) <= 0x20
  let index = named + 'encoding'.length
  while (index < end && isBlank(index)) index++
  if (start[index] !== '=') return null
  index++
  while (index < end && isBlank(index)) index++
  const quote = start[index]
  if (quote !== '"' && quote !== "'") return null
  const close = start.indexOf(quote, index + 1)
  if (close < 0 || close > end) return null
  const label = start.slice(index + 1, close)
  const encoding = [...label].some((character) => character <= ' ') ? null : encodingNamed(label)
  return encoding === null ? null : declared(encoding)
}

/** The encoding that a page declares for itself; null where it declares none. */
export function prescanEncoding(bytes: Uint8Array): string | null {
  const starts = (...first: number[]) => first.every((byte, index) => bytes[index] === byte)
  if (starts(LESS, 0, QUESTION, 0, 0x78, 0)) return 'utf-16le'
  if (starts(0, LESS, 0, QUESTION, 0, 0x78)) return 'utf-16be'
  return new Prescan(bytes).encoding() ?? xmlEncoding(bytes)
}
