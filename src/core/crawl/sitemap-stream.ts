import { Gunzip } from 'fflate'
import { Utf8Pieces } from '../page/piece-decoder'
import { limits } from './limits'
import { SitemapReader, type SitemapReading } from './sitemap'

/** Bytes unpacked at a time, so that a small pack can't become a large piece at once. */
const PIECE = 16 * 1024

/** Bytes of a pack's head and end (RFC 1952). */
const LEAST_GZIP = 18

/** Do bytes start as gzip does (RFC 1952)? */
const isGzip = (bytes: Uint8Array) => bytes[0] === 0x1f && bytes[1] === 0x8b

/** Reads a sitemap file while its bytes arrive, packed by gzip or not; no more of it is held than one piece. */
export class SitemapStream {
  private readonly reader = new SitemapReader()
  private readonly decoder = new Utf8Pieces()
  private unpacker: Gunzip | null = null
  private unpacked = 0
  private isBegun = false
  private isUnpacked = true
  private members = 1
  /** Bytes of the pack so far, and the last four of them. */
  private packed = 0
  private tail: number[] = []
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
      for (let at = 0; at < piece.length; at += PIECE) this.unpacker.push(piece.subarray(at, at + PIECE))
      this.packed += piece.length
      this.tail = [...this.tail, ...piece.subarray(-4)].slice(-4)
    }
  }

  /** @throws Error when what began as gzip is broken or cut off */
  end(): SitemapReading {
    if (this.first) this.take(this.first)
    if (this.unpacker) {
      this.unpacker.push(new Uint8Array(0), true)
      if (!this.isUnpacked || !this.isWhole()) throw new Error('it ends too early')
    }
    this.reader.write(this.decoder.end())
    return this.reader.end()
  }

  /** A pack ends with how much it holds, modulo 2^32. The unpacker itself doesn't notice every pack that was cut off. */
  private isWhole(): boolean {
    const said = this.tail.reduceRight((sum, byte) => sum * 256 + byte, 0)
    return this.members > 1 || (this.packed >= LEAST_GZIP && said === this.unpacked % 2 ** 32)
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
    if (room > 0) this.reader.write(this.decoder.decode(bytes.length > room ? bytes.subarray(0, room) : bytes))
  }
}

/** Reads a sitemap file that is at hand. @throws Error when it is broken gzip */
export function readSitemapFile(bytes: Uint8Array): SitemapReading {
  const stream = new SitemapStream()
  stream.write(bytes)
  return stream.end()
}
