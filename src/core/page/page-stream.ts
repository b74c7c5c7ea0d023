import { charsetFor } from './decode'
import { joinBytes } from './join-bytes'
import { OtherPieces, type PieceDecoder, Utf8Pieces } from './piece-decoder'
import type { PageReading } from './read-page'
import { PageScanner } from './scan'

/**
 * A page's first bytes are held before reading begins. The standard looks for a declared encoding in the first
 * 1024; most pages are no longer than this, and are read when somebody asks for what they say, in one
 * piece, and not while the connection waits.
 */
const HELD_BYTES = 64 * 1024

/** Reads a page while its bytes arrive, so that the whole of a long one is never held. */
export class PageStream {
  private held: Uint8Array[] = []
  private heldBytes = 0
  private reading: PageReading | null = null
  private decoder: PieceDecoder | null = null
  private scanner: PageScanner | null = null
  /** Bytes taken so far. */
  byteLength = 0

  constructor(private readonly contentType: string | null) {}

  write(bytes: Uint8Array): void {
    this.byteLength += bytes.length
    if (this.scanner) {
      this.feed(bytes)
      return
    }
    this.held.push(bytes)
    this.heldBytes += bytes.length
    if (this.heldBytes >= HELD_BYTES) this.begin()
  }

  /** What the page says; it is complete, or as much of it as was read. */
  end(): PageReading {
    this.reading ??= this.finish()
    return this.reading
  }

  private finish(): PageReading {
    if (!this.scanner) this.begin()
    const rest = this.decoder!.end()
    if (rest !== '') this.scanner!.write(rest, false)
    return this.scanner!.end()
  }

  private begin(): void {
    const first = joinBytes(this.held)
    this.held = []
    const { encoding, bomBytes } = charsetFor(first, this.contentType)
    this.decoder = encoding === 'utf-8' ? new Utf8Pieces() : new OtherPieces(encoding)
    this.scanner = new PageScanner({ encoding, bomBytes })
    this.feed(bomBytes > 0 ? first.subarray(bomBytes) : first)
  }

  private feed(bytes: Uint8Array): void {
    const text = this.decoder!.decode(bytes)
    // As many characters as bytes: each is one byte. A character of several bytes, split or not, makes them fewer.
    this.scanner!.write(text, text.length === bytes.length)
  }
}
