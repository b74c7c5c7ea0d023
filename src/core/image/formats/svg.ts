import { ownEntry } from '../../text'
import type { ByteView } from '../bytes'
import type { FormatReader } from '../format-reader'

/** A root element further in than this is no picture that anyone serves. */
const LOOK_BYTES = 65_536
/** CSS units at 96 dpi; font-relative ones by the initial font of 16 px. */
const PX_OF_UNIT: Record<string, number> = {
  '': 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  em: 16,
  rem: 16,
  // What Chromium takes for its initial font.
  ex: 9,
}
/** What a browser takes for a side that nothing gives (CSS 2, 10.3.2). */
const DEFAULT_WIDTH = 300
const DEFAULT_HEIGHT = 150

const utf16Label = (bytes: Uint8Array) =>
  bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null

function head(view: ByteView): string {
  const bytes = view.bytes.subarray(0, LOOK_BYTES)
  return new TextDecoder(utf16Label(bytes) ?? 'utf-8').decode(bytes)
}

const isSpace = (character: string | undefined) => character !== undefined && ' \t\n\r\f'.includes(character)

/** Offset after the declaration that begins at `<!`: its internal subset, in brackets, and texts in quotes belong to it. */
function afterDeclaration(text: string, from: number): number {
  let isInSubset = false
  for (let index = from; index < text.length; index++) {
    const character = text[index]
    if (text.startsWith('<!--', index)) index = after(text, '-->', index) - 1
    else if (character === '"' || character === "'") index = after(text, character, index + 1) - 1
    else if (character === '[') isInSubset = true
    else if (character === ']') isInSubset = false
    else if (character === '>' && !isInSubset) return index + 1
  }
  return text.length
}

/** Offset of the root's start tag, after the prolog: declaration, comments and doctype are stepped over. */
function rootStart(text: string): number {
  let index = text.charCodeAt(0) === 0xfeff ? 1 : 0
  for (;;) {
    while (isSpace(text[index])) index++
    if (text.startsWith('<!--', index)) index = after(text, '-->', index)
    else if (text.startsWith('<?', index)) index = after(text, '?>', index)
    else if (text.startsWith('<!', index)) index = afterDeclaration(text, index + 2)
    else return index
  }
}

function after(text: string, mark: string, from: number): number {
  const found = text.indexOf(mark, from)
  return found < 0 ? text.length : found + mark.length
}

/** Offset after the name of the root, when it is an `svg`, under whatever prefix; -1 for any other. */
function afterName(text: string, root: number): number {
  if (text[root] !== '<') return -1
  let end = root + 1
  while (end < text.length && !isSpace(text[end]) && text[end] !== '>' && text[end] !== '/') end++
  const name = text.slice(root + 1, end)
  return end < text.length && name.slice(name.indexOf(':') + 1).toLowerCase() === 'svg' ? end : -1
}

/** Attributes of a start tag, from the end of its name on; a `>` in a value does not end it. */
function attributesOf(text: string, from: number): Map<string, string> {
  const attributes = new Map<string, string>()
  let index = from
  for (;;) {
    while (isSpace(text[index]) || text[index] === '/') index++
    if (index >= text.length || text[index] === '>') return attributes
    const start = index
    while (index < text.length && !isSpace(text[index]) && !'=>/'.includes(text[index]!)) index++
    const name = text.slice(start, index)
    while (isSpace(text[index])) index++
    if (text[index] !== '=') {
      if (index === start) index++
      continue
    }
    index++
    while (isSpace(text[index])) index++
    const quote = text[index]
    if (quote !== '"' && quote !== "'") return attributes
    const end = text.indexOf(quote, index + 1)
    if (end < 0) return attributes
    if (!attributes.has(name)) attributes.set(name, text.slice(index + 1, end))
    index = end + 1
  }
}

const NUMBER = /^[+-]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?/i

/** A length in px; null for none, one in percent, and one below zero. */
function lengthPx(value: string | undefined): number | null {
  const text = (value ?? '').trim()
  const number = NUMBER.exec(text)?.[0]
  if (number === undefined) return null
  const unit = ownEntry(PX_OF_UNIT, text.slice(number.length).toLowerCase())
  const length = unit === undefined ? Number.NaN : Number(number) * unit
  return length >= 0 ? length : null
}

function viewBoxOf(value: string | undefined): { width: number; height: number } | null {
  const numbers = (value ?? '')
    .trim()
    .slice(0, 200)
    .split(/[\s,]+/)
    .map(Number)
  const [, , width, height] = numbers
  return numbers.length === 4 && width! > 0 && height! > 0 ? { width: width!, height: height! } : null
}

type Size = { width: number; height: number }

/** What browsers make of the sides that are given; measured in Chromium, but for a viewBox alone, which is its own size. */
function sizeOf(width: number | null, height: number | null, box: Size | null, isFree: boolean): Size | null {
  if (width !== null && height !== null) return { width, height }
  if (width === null && height === null) return box
  if (box && isFree) return { width: DEFAULT_WIDTH, height: DEFAULT_HEIGHT }
  if (box && width !== null) return { width, height: (width * box.height) / box.width }
  if (box && height !== null) return { width: (height * box.width) / box.height, height }
  return { width: width ?? DEFAULT_WIDTH, height: height ?? DEFAULT_HEIGHT }
}

/**
 * SVG: the size that a browser gives it: width and height in px; of one alone the other by the viewBox, unless
 * preserveAspectRatio gives up the ratio; the viewBox; else none. It is read as text and never rendered.
 */
export const svg: FormatReader = {
  format: 'svg',
  matches(view) {
    const text = head(view)
    return afterName(text, rootStart(text)) >= 0
  },
  read(view) {
    const text = head(view)
    const attributes = attributesOf(text, afterName(text, rootStart(text)))
    const [width, height] = [lengthPx(attributes.get('width')), lengthPx(attributes.get('height'))]
    const box = viewBoxOf(attributes.get('viewBox'))
    const isFree = (attributes.get('preserveAspectRatio') ?? '').trim().startsWith('none')
    const size = sizeOf(width, height, box, isFree)
    return {
      width: size && Math.round(size.width),
      height: size && Math.round(size.height),
      animated: false,
      mayBeTransparent: true,
    }
  },
}
