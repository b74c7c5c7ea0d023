import { trimAscii } from '../text'
import { decodeText, encodingNamed } from './encoding'
import { prescanEncoding } from './prescan'

/** HTML as text, and what is needed to count its bytes again. */
export type DecodedHtml = {
  text: string
  /** WHATWG name of the encoding, in lower case. */
  encoding: string
  from: 'bom' | 'header' | 'meta' | 'default'
  /** Bytes of a byte order mark, which are served but stand in no column. */
  bomBytes: number
  /** All bytes, the mark's included. */
  byteLength: number
}

/** The standard's fallback for most locales. */
const DEFAULT_ENCODING = 'windows-1252'

/** Labels met so far. Making a decoder only to learn its name takes longer than reading a small page. */
const encodings = new Map<string, string | null>()
const MAX_LABELS = 500

function knownEncoding(label: string | null): string | null {
  if (!label) return null
  const known = encodings.get(label)
  if (known !== undefined) return known
  const encoding = encodingNamed(trimAscii(label))
  if (encodings.size < MAX_LABELS) encodings.set(label, encoding)
  return encoding
}

function bomOf(bytes: Uint8Array): { encoding: string; length: number } | null {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return { encoding: 'utf-8', length: 3 }
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { encoding: 'utf-16be', length: 2 }
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { encoding: 'utf-16le', length: 2 }
  return null
}

/** The charset parameter of a Content-Type. */
export function charsetOf(contentType: string | null): string | null {
  const found = /;\s*charset\s*=\s*(?:"([^"]*)"|'([^']*)'|([^;\s]*))/i.exec(contentType ?? '')
  return found ? (found[1] ?? found[2] ?? found[3] ?? null) : null
}

/** How a page is encoded, as the HTML standard decides it: byte order mark, Content-Type, then its own declaration. */
export function charsetFor(
  bytes: Uint8Array,
  contentType: string | null,
): { encoding: string; from: DecodedHtml['from']; bomBytes: number } {
  const bom = bomOf(bytes)
  const header = bom ? null : knownEncoding(charsetOf(contentType))
  const meta = bom || header ? null : prescanEncoding(bytes)
  return {
    encoding: bom?.encoding ?? header ?? meta ?? DEFAULT_ENCODING,
    from: bom ? 'bom' : header ? 'header' : meta ? 'meta' : 'default',
    bomBytes: bom?.length ?? 0,
  }
}

/** Decodes a whole page. */
export function decodeHtml(bytes: Uint8Array, contentType: string | null): DecodedHtml {
  const { encoding, from, bomBytes } = charsetFor(bytes, contentType)
  const text = decodeText(bomBytes > 0 ? bytes.subarray(bomBytes) : bytes, encoding)
  return { text, encoding, from, bomBytes, byteLength: bytes.length }
}
