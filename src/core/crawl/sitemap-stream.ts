import { Gunzip } from 'fflate'
import { limits } from '../address'
import { OtherPieces, type PieceDecoder, Utf8Pieces } from '../page'
import { SitemapReader, type SitemapReading } from './sitemap'

/** Bytes unpacked at a time, so that a small pack can't become a large piece at once. */
const PIECE = 16 * 1024

/** Bytes of a pack's head and end (RFC 1952). */
const MIN_GZIP = 18

/** Bytes of the end of a pack: a checksum, and how much it holds. */
const TRAILER = 8

/** The number in the last four bytes of a pack, the lowest byte first. */
const sizeIn = (tail: readonly number[]) => tail.reduceRight((sum, byte) => sum * 256 + byte, 0)

/** Do bytes start as gzip does (RFC 1952)? */
const isGzip = (bytes: Uint8Array) => bytes[0] === 0x1f && bytes[1] === 0x8b

/** UTF-16 is told by its byte order mark, or by the zeros beside its first `<`; all else is UTF-8, as sitemaps.org has it. */
function decoderFor([first, second]: Uint8Array): PieceDecoder {
  if ((first === 0xff && second === 0xfe) || (first === 0x3c && second === 0)) return new OtherPieces('utf-16le')
  if ((first === 0xfe && second === 0xff) || (first === 0 && second === 0x3c)) return new OtherPieces('utf-16be')
  return new Utf8Pieces()
}

/** Reads a sitemap file while its bytes arrive, packed by gzip or not; no more of it is held than one piece. */
export class SitemapStream {
  private readonly reader = new SitemapReader()
  /** By the first bytes of the text: null until there are some. */
  private decoder: PieceDecoder | null = null
  private unpacker: Gunzip | null = null
  private unpacked = 0
  private isBegun = false
  private isUnpacked = true
  private members = 1
  /** Bytes of the pack so far, and the last four of them. */
  private packed = 0
  private tail: number[] = []
  /** Zeros that came last, and were not unpacked yet. */
  private zeros = 0
  /** The first byte, until the second tells what the file is. */
  private first: Uint8Array | null = null

  /** @throws Error when what began as gzip is broken */
  write(bytes: Uint8Array): void {
    const piece = this.first ? Uint8Array.from([this.first[0]!, ...bytes]) : bytes
    if (!this.isBegun && piece.length < 2) {
      this.first = piece.length > 0 ? piece.slice() : null
      return
    }
    if (!this.isBegun) this.begin(piece)
    this.first = null
    if (!this.unpacker) this.take(piece)
    else {
      // Zeros are kept back: some servers fill up a pack with them, and its own end may be some.
      const end = piece.findLastIndex((byte) => byte !== 0) + 1
      if (end > 0) {
        this.unpackZeros(this.zeros)
        this.zeros = 0
        this.unpack(piece.subarray(0, end))
      }
      this.zeros += piece.length - end
    }
  }

  private unpack(bytes: Uint8Array): void {
    for (let at = 0; at < bytes.length; at += PIECE) this.unpacker!.push(bytes.subarray(at, at + PIECE))
    this.packed += bytes.length
    this.tail = [...this.tail, ...bytes.subarray(-4)].slice(-4)
  }

  private unpackZeros(count: number): void {
    for (let left = count; left > 0; left -= PIECE) this.unpack(new Uint8Array(Math.min(left, PIECE)))
  }

  /** Of the zeros at the end, those that belong to the pack: with them it ends in how much it holds. */
  private unpackOwnZeros(): void {
    for (let own = 0; own <= Math.min(this.zeros, TRAILER); own++) {
      const tail = [...this.tail, ...new Array<number>(own).fill(0)].slice(-4)
      if (sizeIn(tail) !== this.unpacked % 2 ** 32) continue
      this.unpackZeros(own)
      return
    }
    this.unpackZeros(this.zeros)
  }

  /** @throws Error when what began as gzip is broken or cut off */
  end(): SitemapReading {
    if (this.first) this.take(this.first)
    if (this.unpacker) {
      if (this.members === 1) this.unpackOwnZeros()
      else this.unpackZeros(this.zeros)
      this.unpacker.push(new Uint8Array(0), true)
      if (!this.isUnpacked || !this.isWhole()) throw new Error('it ends too early')
    }
    this.reader.write(this.decoder?.end() ?? '')
    return this.reader.end()
  }

  /** A pack ends with how much it holds, modulo 2^32. The unpacker itself doesn't notice every pack that was cut off. */
  private isWhole(): boolean {
    return this.members > 1 || (this.packed >= MIN_GZIP && sizeIn(this.tail) === this.unpacked % 2 ** 32)
  }

  private begin(piece: Uint8Array): void {
    this.isBegun = true
    if (!isGzip(piece)) return
    this.isUnpacked = false
    this.unpacker = new Gunzip((unpacked, isLast) => {
      this.take(unpacked)
      this.isUnpacked = isLast
    })
    this.unpacker.onmember = () => this.members++
  }

  private take(bytes: Uint8Array): void {
    const room = limits.sitemapBytes - this.unpacked
    this.unpacked += bytes.length
    if (bytes.length > room) this.reader.cut()
    if (room <= 0 || bytes.length === 0) return
    this.decoder ??= decoderFor(bytes)
    this.reader.write(this.decoder.decode(bytes.length > room ? bytes.subarray(0, room) : bytes))
  }
}

/** Reads a sitemap file that is at hand. @throws Error when it is broken gzip */
export function readSitemapFile(bytes: Uint8Array): SitemapReading {
  const stream = new SitemapStream()
  stream.write(bytes)
  return stream.end()
}
