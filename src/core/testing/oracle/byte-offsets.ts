import type { DecodedHtml } from '../../page'

/** Bytes that one code point takes in an encoding. Exact for UTF-8, UTF-16 and single-byte encodings. */
function bytesOfCodePoint(codePoint: number, encoding: string): number {
  if (encoding === 'utf-8') return codePoint < 0x80 ? 1 : codePoint < 0x800 ? 2 : codePoint < 0x10000 ? 3 : 4
  if (encoding.startsWith('utf-16')) return codePoint < 0x10000 ? 2 : 4
  const isMultiByte = /^(?:gb|big5|euc|shift|iso-2022)/.test(encoding)
  return codePoint < 0x80 || !isMultiByte ? 1 : 2
}

/** Turns offsets in the text (UTF-16 units, ascending) into offsets in the bytes as served. */
export function byteOffsets(html: DecodedHtml, offsets: readonly number[]): number[] {
  const { text, encoding, bomBytes } = html
  if (text.length + bomBytes === html.byteLength) return offsets.map((offset) => offset + bomBytes)
  let index = 0
  let bytes = bomBytes
  return offsets.map((offset) => {
    while (index < offset) {
      const codePoint = text.codePointAt(index)!
      bytes += bytesOfCodePoint(codePoint, encoding)
      index += codePoint > 0xffff ? 2 : 1
    }
    return bytes
  })
}
