import { isSpace } from '../page'
import { asciiOnly } from '../text'

/** A stretch of a page's text and what takes its place. */
export type Splice = { start: number; end: number; html: string }

/** Encodings in which every byte is one character, so that offsets in text are offsets in bytes. */
const SINGLE_BYTE = /^(?:windows-125\d|windows-874|iso-8859-\d+(?:-i)?|koi8-[ru]|ibm866|macintosh|x-mac-cyrillic)$/
/** Encodings in which the bytes of < and > are never part of another character (Encoding standard, the decoders' trail bytes). */
const MULTI_BYTE = /^(?:euc-kr|euc-jp|shift_jis|gbk|gb18030|big5)$/

const LESS = 0x3c
const GREATER = 0x3e

/** Places of < and >, in order. */
function anglesIn(length: number, at: (index: number) => number): number[] {
  const places: number[] = []
  for (let index = 0; index < length; index++) {
    const sign = at(index)
    if (sign === LESS || sign === GREATER) places.push(index)
  }
  return places
}

/** Index of the last number that is not above another; -1 where all are. */
function lastUpTo(numbers: readonly number[], most: number): number {
  let [low, high] = [0, numbers.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (numbers[middle]! <= most) low = middle + 1
    else high = middle
  }
  return low - 1
}

/**
 * Where an offset in a page's text lies among its bytes, in an encoding whose characters take one byte or several. It is
 * counted from the nearest tag: between it and the offset there is white space alone, which takes a byte each.
 *
 * @returns null where other text lies between
 */
function byteOffsets(text: string, bytes: Uint8Array): ((offset: number) => number | null) | null {
  const inText = anglesIn(text.length, (index) => text.charCodeAt(index))
  const inBytes = anglesIn(bytes.length, (index) => bytes[index]!)
  if (inText.length !== inBytes.length) return null
  const isBlank = (from: number, to: number) => {
    for (let at = from; at < to; at++) if (!isSpace(text.charCodeAt(at))) return false
    return true
  }
  return (offset) => {
    const before = lastUpTo(inText, offset)
    const [here, next] = [inText[before], inText[before + 1]]
    if (here !== undefined && here === offset) return inBytes[before]!
    if (here !== undefined && isBlank(here + 1, offset)) return inBytes[before]! + offset - here
    if (next !== undefined && isBlank(offset, next)) return inBytes[before + 1]! - (next - offset)
    return null
  }
}

/** The bytes with splices in them, each of which stands in the page's text. */
function spliced(
  bytes: Uint8Array,
  splices: readonly Splice[],
  placeOf: (offset: number) => number | null,
): Uint8Array | null {
  let whole = bytes
  // From the end on: what comes before keeps its place.
  for (const { start, end, html } of splices) {
    const [from, to] = [placeOf(start), placeOf(end)]
    if (from === null || to === null) return null
    // ASCII is the same in all of these encodings; what they can't hold is a reference.
    const middle = new TextEncoder().encode(asciiOnly(html))
    const next = new Uint8Array(from + middle.length + whole.length - to)
    next.set(whole.subarray(0, from))
    next.set(middle, from)
    next.set(whole.subarray(to), from + middle.length)
    whole = next
  }
  return whole
}

function asUtf16(text: string, isBig: boolean): Uint8Array {
  const view = new DataView(new ArrayBuffer(text.length * 2))
  for (let index = 0; index < text.length; index++) view.setUint16(index * 2, text.charCodeAt(index), !isBig)
  return new Uint8Array(view.buffer)
}

const behindMark = (bytes: Uint8Array, markBytes: number, body: Uint8Array) => {
  const whole = new Uint8Array(markBytes + body.length)
  whole.set(bytes.subarray(0, markBytes))
  whole.set(body, markBytes)
  return whole
}

/**
 * A page's bytes with splices of its text in them, every other byte as it was.
 *
 * @param splices the last in the text first
 * @returns a string where it can't be done, which says why
 */
export function patchedBytes(
  bytes: Uint8Array,
  { text, encoding, bomBytes }: { text: string; encoding: string; bomBytes: number },
  after: string,
  splices: readonly Splice[],
): Uint8Array | string {
  if (encoding === 'utf-8') {
    const encoder = new TextEncoder()
    if (encoder.encode(text).length + bomBytes !== bytes.length)
      return 'The file says it is UTF-8 and holds bytes that are not: saving it would change them.'
    return behindMark(bytes, bomBytes, encoder.encode(after))
  }
  if (encoding === 'utf-16le' || encoding === 'utf-16be') {
    if (text.length * 2 + bomBytes !== bytes.length) return 'The file is UTF-16 and breaks off within a character.'
    return behindMark(bytes, bomBytes, asUtf16(after, encoding === 'utf-16be'))
  }
  const cannot = `The file is encoded as ${encoding}, which can’t be written here. Save it as UTF-8.`
  const isSingle = SINGLE_BYTE.test(encoding) && text.length === bytes.length
  const placeOf = isSingle ? (offset: number) => offset : MULTI_BYTE.test(encoding) ? byteOffsets(text, bytes) : null
  return (placeOf && spliced(bytes, splices, placeOf)) ?? cannot
}
