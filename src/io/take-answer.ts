import { Transform } from 'node:stream'
import * as zlib from 'node:zlib'
import type { Dispatcher } from 'undici'
import type { BodySink, ReadRequest } from '@/core/crawl'
import { joinBytes, type PageStream } from '@/core/page'

/** A body that unpacks to more than this many times its size is no page: it is a bomb. */
const MAX_EXPANSION = 200
/** A pack is no longer than what is in it, but for its frame. */
const PACKED_SLACK = 64 * 1024
/** What is packed smaller than this may unpack as far as if it were as large. */
const MIN_PACKED = 1024

/** Zstandard (RFC 8878) came with Node 22.15. */
const createZstdDecompress = (zlib as { createZstdDecompress?: () => Transform }).createZstdDecompress

/** What is asked for as `accept-encoding`: all that can be unpacked here. */
export const ENCODINGS = createZstdDecompress ? 'gzip, br, zstd, deflate' : 'gzip, br, deflate'

/** What is there of a body that ends before its pack does is read, as browsers do: a missing trailer loses nothing. */
const lenient = { finishFlush: zlib.constants.Z_SYNC_FLUSH }
const lenientBrotli = { finishFlush: zlib.constants.BROTLI_OPERATION_FLUSH }

/** Unpacks `deflate`, which some servers send as it is (RFC 1951) and others within zlib's frame (RFC 1950). */
class Inflate extends Transform {
  private inner: zlib.Inflate | zlib.InflateRaw | null = null

  override _transform(piece: Uint8Array, _encoding: string, done: (error?: Error | null) => void): void {
    if (piece.length === 0) {
      done()
      return
    }
    this.inner ??= this.open(piece[0]!)
    this.inner.write(piece, done)
  }

  override _flush(done: (error?: Error | null) => void): void {
    if (!this.inner) {
      done()
      return
    }
    this.inner.once('end', () => done())
    this.inner.end()
  }

  override _destroy(error: Error | null, done: (error: Error | null) => void): void {
    this.inner?.destroy()
    done(error)
  }

  /** A frame begins with the method 8 and a window of at most 32 KiB; coded data hardly ever does. */
  private open(first: number): zlib.Inflate | zlib.InflateRaw {
    const hasFrame = (first & 0x0f) === 8 && first >> 4 <= 7
    const inner = hasFrame ? zlib.createInflate(lenient) : zlib.createInflateRaw(lenient)
    inner.on('data', (piece: Uint8Array) => this.push(piece)).on('error', (error) => this.destroy(error))
    return inner
  }
}

function decoderFor(encoding: string): Transform | null {
  switch (encoding) {
    case 'gzip':
    case 'x-gzip':
      return zlib.createGunzip(lenient)
    case 'br':
      return zlib.createBrotliDecompress(lenientBrotli)
    case 'deflate':
      return new Inflate()
    case 'zstd':
      return createZstdDecompress?.() ?? null
    default:
      return null
  }
}

/** Codings undone one after the other are few: more of them are no page. */
const MAX_CODINGS = 3

/** Undoes the codings of a body, the last one first (RFC 9110, 8.4). */
function decodersFor(header: string | undefined): Transform[] {
  const codings = (header ?? '').toLowerCase().split(',')
  return codings
    .reverse()
    .flatMap((coding) => decoderFor(coding.trim()) ?? [])
    .slice(0, MAX_CODINGS)
}

/** An answer as it was taken. `body` is empty where something else took it as it arrived. */
export type Taken = {
  status: number
  headers: Record<string, string>
  body: Uint8Array
  page: PageStream | null
  isCut: boolean
}

/** Why we broke a request off ourselves. */
export class BrokenOff extends Error {
  constructor(readonly why: 'timeout' | 'stopped') {
    super(why)
  }
}

export type AnswerLimits = {
  /** Of the decoded body. */
  maxBytes: number
  /** From the question to the end of the answer. */
  timeoutMs: number
  openPage: ReadRequest['openPage']
  openBody: ReadRequest['openBody']
}

type Controller = Dispatcher.DispatchController

/** One value a header. The client made the object for this answer, with names in lower case. */
function joined(headers: Record<string, string | string[] | undefined>): Record<string, string> {
  for (const name in headers) {
    const value = headers[name]
    if (typeof value === 'object') headers[name] = value.join(', ')
  }
  return headers as Record<string, string>
}

/**
 * Takes one answer as it arrives: status, headers, and the body, decoded, up to its limits; the rest is not read.
 *
 * The client's own `request()` makes a stream, an iterator and two abort signals for each answer, which together take
 * longer than reading a page's facts; this takes the pieces as the connection has them.
 */
export class TakeAnswer implements Dispatcher.DispatchHandler {
  private controller: Controller | null = null
  private status = 0
  private headers: Record<string, string> = {}
  private page: PageStream | null = null
  private sink: BodySink | null = null
  private decoders: Transform[] = []
  private pieces: Uint8Array[] = []
  private length = 0
  private packed = 0
  private isOver = false
  private readonly timer: NodeJS.Timeout

  /** Exactly one of `taken` and `failed` is called, once. */
  constructor(
    private readonly limits: AnswerLimits,
    private readonly taken: (answer: Taken) => void,
    private readonly failed: (error: unknown) => void,
  ) {
    this.timer = setTimeout(() => {
      const error = new BrokenOff('timeout')
      this.fail(error)
      this.controller?.abort(error)
    }, limits.timeoutMs)
  }

  onRequestStart(controller: Controller): void {
    this.controller = controller
    // It waited for a connection longer than it may take.
    if (this.isOver) controller.abort(new BrokenOff('timeout'))
  }

  onResponseStart(_: Controller, status: number, headers: Record<string, string | string[] | undefined>): void {
    // 100 and 103 come before the answer.
    if (this.isOver || status < 200) return
    this.status = status
    this.headers = joined(headers)
    this.page = this.limits.openPage?.(status, this.headers) ?? null
    this.sink = this.page ?? this.limits.openBody?.(status, this.headers) ?? null
    this.decoders = decodersFor(this.headers['content-encoding'])
    for (const [index, decoder] of this.decoders.entries()) {
      const next = this.decoders[index + 1]
      decoder
        .on('data', (piece: Uint8Array) => (next ? next.write(piece) : this.take(piece)))
        .on('end', () => (next ? next.end() : this.finish(false)))
        .on('error', (error) => {
          this.fail(error)
          this.controller?.abort(error)
        })
    }
  }

  onResponseData(_: Controller, piece: Uint8Array): void {
    if (this.isOver) return
    this.packed += piece.length
    const [decoder] = this.decoders
    if (!decoder) this.take(piece)
    // The connection is not made to wait: what can wait to be unpacked is bounded here. Pausing a connection that is
    // about to close is a fault of its own in the client.
    else if (this.packed > this.limits.maxBytes + PACKED_SLACK) this.breakOff()
    else decoder.write(piece)
  }

  onResponseEnd(): void {
    const [decoder] = this.decoders
    if (this.isOver) return
    if (decoder) decoder.end()
    else this.finish(false)
  }

  onResponseError(_: Controller, error: Error): void {
    this.fail(error)
  }

  private take(chunk: Uint8Array): void {
    if (this.isOver) return
    // Node's own kind of array shares memory where others copy.
    const piece = new Uint8Array(chunk.buffer as ArrayBuffer, chunk.byteOffset, chunk.byteLength)
    const room = this.limits.maxBytes - this.length
    const wanted = piece.length > room ? piece.subarray(0, Math.max(0, room)) : piece
    if (this.sink) this.sink.write(wanted)
    else this.pieces.push(wanted)
    this.length += piece.length
    const isBomb = this.decoders.length > 0 && this.length > MAX_EXPANSION * Math.max(this.packed, MIN_PACKED)
    if (piece.length > room || isBomb) this.breakOff()
  }

  /** Enough was read: the rest is left. */
  private breakOff(): void {
    this.finish(true)
    this.controller?.abort(new BrokenOff('stopped'))
  }

  private end(): boolean {
    if (this.isOver) return false
    this.isOver = true
    clearTimeout(this.timer)
    for (const decoder of this.decoders) decoder.destroy()
    this.decoders = []
    // The client keeps a handler for a while after its answer: it must not keep the page as well.
    this.page = null
    this.sink = null
    this.pieces = []
    return true
  }

  /** Nothing more comes of it; nothing happens when it is over already. */
  fail(error: unknown): void {
    if (this.end()) this.failed(error)
  }

  private finish(isCut: boolean): void {
    const { status, headers, page, pieces } = this
    if (this.end()) this.taken({ status, headers, body: joinBytes(pieces), page, isCut })
  }
}
