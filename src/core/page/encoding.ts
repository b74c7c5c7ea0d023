// The encodings of the web, as the Encoding standard has them (https://encoding.spec.whatwg.org). Node's own decoders differ
// from it: windows-1252 gives C1 controls, euc-kr, big5 and gbk lose characters. These are the same in Node and a browser.
import { normalizeEncoding, TextDecoder as StandardDecoder } from '@exodus/bytes/encoding.js'

/** Decodes a text that may come in pieces; a byte order mark is left in it. */
export type TextPieces = { decode(bytes: Uint8Array, options?: { stream?: boolean }): string }

/** WHATWG name of an encoding by any of its labels, in lower case; null for what is no label. */
export function encodingNamed(label: string): string | null {
  return normalizeEncoding(label)
}

/** The standard replaces encodings that can't be read safely by a single mark. */
class Replacement implements TextPieces {
  private isSaid = false

  decode(bytes: Uint8Array = new Uint8Array()): string {
    if (this.isSaid || bytes.length === 0) return ''
    this.isSaid = true
    return '\uFFFD'
  }
}

/** A decoder for an encoding by its WHATWG name. */
export function decoderFor(encoding: string): TextPieces {
  if (encoding === 'replacement') return new Replacement()
  // UTF-8 of the platform is right, and many times as fast.
  if (encoding === 'utf-8') return new TextDecoder('utf-8', { ignoreBOM: true })
  return new StandardDecoder(encoding, { ignoreBOM: true })
}

/** Decodes a whole text. */
export const decodeText = (bytes: Uint8Array, encoding: string): string => decoderFor(encoding).decode(bytes)
