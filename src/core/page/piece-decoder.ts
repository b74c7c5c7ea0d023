import { decoderFor, type TextPieces } from './encoding'

/** Decodes a text that comes in pieces; a byte order mark at its start is left out by the caller. */
export type PieceDecoder = {
  decode(bytes: Uint8Array): string
  /** What the last bytes stand for, when they are no whole character. */
  end(): string
}

const utf8 = new TextDecoder('utf-8', { ignoreBOM: true })
const NONE = new Uint8Array(0)

/** Bytes of a UTF-8 sequence, by its first byte; 1 for any byte that begins none. */
function sequenceLength(first: number): number {
  if (first >= 0xf0) return 4
  if (first >= 0xe0) return 3
  return first >= 0xc0 ? 2 : 1
}

/** Bytes at the end that begin a character which ends in the next piece. */
function unfinishedAtEnd(bytes: Uint8Array): number {
  for (let back = 1; back <= 3 && back <= bytes.length; back++) {
    const byte = bytes[bytes.length - back]!
    // 10xxxxxx goes on with what was begun before.
    if ((byte & 0xc0) === 0x80) continue
    return sequenceLength(byte) > back ? back : 0
  }
  return 0
}

/**
 * UTF-8 by whole characters. A decoder that keeps the rest of a piece itself (`stream: true`) takes several times as
 * long in Node as one that decodes at once, so the rest is kept here: up to three bytes, from the first of a character
 * on, where the decoder has nothing pending whatever came before.
 */
export class Utf8Pieces implements PieceDecoder {
  private rest: Uint8Array = NONE

  decode(bytes: Uint8Array): string {
    let whole = bytes
    if (this.rest.length > 0) {
      whole = new Uint8Array(this.rest.length + bytes.length)
      whole.set(this.rest)
      whole.set(bytes, this.rest.length)
    }
    const kept = unfinishedAtEnd(whole)
    // A copy: the caller may use its bytes again.
    this.rest = kept === 0 ? NONE : whole.slice(whole.length - kept)
    return utf8.decode(kept === 0 ? whole : whole.subarray(0, whole.length - kept))
  }

  end(): string {
    return utf8.decode(this.rest)
  }
}

/** Any other encoding of the web. */
export class OtherPieces implements PieceDecoder {
  private readonly decoder: TextPieces

  constructor(encoding: string) {
    this.decoder = decoderFor(encoding)
  }

  decode(bytes: Uint8Array): string {
    return this.decoder.decode(bytes, { stream: true })
  }

  end(): string {
    return this.decoder.decode(NONE)
  }
}
