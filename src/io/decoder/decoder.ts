import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import type { Decode, Decoded } from '@/core/crawl'
import { LOOK_SIDE, lookOfPixels, MAX_WORKED_PIXELS, readImageHeader } from '@/core/image'

/** A larger picture is not decoded: about 100 MB as raw pixels. */
const MAX_PIXELS = 25_000_000
/** Formats that are scaled down or read line by line while they are decoded: the whole never lies in memory as pixels. */
const SCALED: ReadonlySet<string> = new Set(['jpeg', 'png'])

const mostOf = (format: string) => (SCALED.has(format) ? MAX_WORKED_PIXELS : MAX_PIXELS)
/** Pictures decoded at once, by the whole server. */
const MAX_AT_ONCE = 2
/** A picture that takes longer is given up, and the process with it. */
const MAX_MS = 15_000
/** A process that has grown beyond this is let go after its picture, so that its memory is given back. */
const MAX_RSS_BYTES = 350_000_000
/** A process that has nothing to do is kept for so long. */
const IDLE_MS = 3000

const Answer = z.object({
  alpha: z.boolean().nullable(),
  square: z.instanceof(Uint8Array).nullable(),
  copy: z.object({ mediaType: z.enum(['image/jpeg', 'image/png']), bytes: z.instanceof(Uint8Array) }).nullable(),
  rss: z.number(),
})
type Answer = z.infer<typeof Answer>

/** A small copy of a picture, upright. */
export type PictureCopy = NonNullable<Answer['copy']>

const UNKNOWN: Decoded = { alpha: null, look: null }

/** The process's own file: it is started, and never bundled. */
function processFile(): string {
  const beside = join(dirname(fileURLToPath(import.meta.url)), 'decoder-process.mjs')
  const places = [
    process.env['NIMBLE_PARROT_DECODER'],
    beside,
    join(process.cwd(), 'src/io/decoder/decoder-process.mjs'),
  ]
  return places.find((path) => path !== undefined && existsSync(path)) ?? beside
}

type Job = { message: object; signal: AbortSignal; resolve: (answer: Answer | 'ended') => void }

/** Processes that decode pictures, each one at a time. */
class Decoders {
  private readonly idle = new Map<ChildProcess, NodeJS.Timeout>()
  private readonly waiting: Job[] = []
  private running = 0

  /** @returns `ended` where no answer came: it was stopped, took too long, or the process broke */
  ask(message: object, signal: AbortSignal): Promise<Answer | 'ended'> {
    return new Promise((resolve) => {
      this.waiting.push({ message, signal, resolve })
      this.fill()
    })
  }

  private fill(): void {
    while (this.running < MAX_AT_ONCE) {
      const job = this.waiting.shift()
      if (!job) return
      if (job.signal.aborted) job.resolve('ended')
      else void this.run(job)
    }
  }

  private take(): ChildProcess {
    const [kept] = this.idle
    if (!kept) {
      const child = spawn(process.execPath, ['--max-old-space-size=128', processFile()], {
        serialization: 'advanced',
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      })
      // What a killed process still says is heard by no one.
      return child.on('error', () => undefined)
    }
    const [child, timer] = kept
    clearTimeout(timer)
    this.idle.delete(child)
    hold(child, true)
    return child
  }

  private async run({ message, signal, resolve }: Job): Promise<void> {
    this.running++
    const child = this.take()
    const answer = await answerOf(child, message, signal)
    this.running--
    if (answer === 'ended' || answer.rss > MAX_RSS_BYTES) child.kill('SIGKILL')
    else this.rest(child)
    resolve(answer)
    this.fill()
  }

  /** Keeps a process for the next picture; it holds up nothing that would end. */
  private rest(child: ChildProcess): void {
    const timer = setTimeout(() => {
      this.idle.delete(child)
      child.kill('SIGKILL')
    }, IDLE_MS)
    timer.unref()
    hold(child, false)
    this.idle.set(child, timer)
  }
}

/** Does this process wait for that one before it ends? */
function hold(child: ChildProcess, isHeld: boolean): void {
  if (isHeld) {
    child.ref()
    child.channel?.ref()
  } else {
    child.unref()
    child.channel?.unref()
  }
}

function answerOf(child: ChildProcess, message: object, signal: AbortSignal): Promise<Answer | 'ended'> {
  return new Promise((resolve) => {
    const end = (answer: Answer | 'ended') => {
      clearTimeout(timer)
      signal.removeEventListener('abort', stop)
      child.removeListener('message', hear)
      child.removeListener('error', stop)
      child.removeListener('exit', stop)
      resolve(answer)
    }
    const stop = () => end('ended')
    const hear = (said: unknown) => {
      const read = Answer.safeParse(said)
      end(read.success ? read.data : 'ended')
    }
    const timer = setTimeout(stop, MAX_MS)
    signal.addEventListener('abort', stop, { once: true })
    child.once('message', hear)
    child.once('error', stop)
    child.once('exit', stop)
    child.send(message, (error) => error && stop())
  })
}

/** One for the whole process, since routes are bundled apart. */
const holder = globalThis as { nimbleParrotDecoders?: Decoders }
holder.nimbleParrotDecoders ??= new Decoders()

/**
 * Pixels that are decoded of a picture of its kind; null where it is none, one that is a document, or one of more.
 */
function decodedPixels(bytes: Uint8Array): number | null {
  const header = readImageHeader(bytes)
  if (header.kind !== 'image' || header.format === 'svg') return null
  const most = mostOf(header.format)
  return (header.width ?? 0) * (header.height ?? 0) <= most ? most : null
}

/**
 * Makes small copies of pictures, in the same processes: JPEG, or PNG where something behind shows through.
 *
 * @param copySide pixels of the longer side at most
 * @returns null where the bytes are no picture that is decoded
 */
export function createCopier(
  signal: AbortSignal,
): (bytes: Uint8Array, copySide: number) => Promise<PictureCopy | null> {
  return async (bytes, copySide) => {
    const maxPixels = decodedPixels(bytes)
    if (maxPixels === null) return null
    const message = { bytes, maxPixels, wantsAlpha: false, side: 0, copySide }
    const answer = await holder.nimbleParrotDecoders!.ask(message, signal)
    return answer === 'ended' ? null : answer.copy
  }
}

/**
 * Decodes pictures in processes of their own, at most two at once, each picture within its pixels and its time. A
 * drawing (SVG) is a document: none is rendered.
 *
 * @param signal ends what is being decoded
 */
export function createDecode(signal: AbortSignal): Decode {
  return async (bytes, wants) => {
    const maxPixels = decodedPixels(bytes)
    if (maxPixels === null || (!wants.alpha && !wants.look)) return UNKNOWN
    const side = wants.look ? LOOK_SIDE : 0
    const message = { bytes, maxPixels, wantsAlpha: wants.alpha, side, copySide: 0 }
    const answer = await holder.nimbleParrotDecoders!.ask(message, signal)
    if (answer === 'ended') return UNKNOWN
    return {
      alpha: answer.alpha,
      look: wants.look ? (answer.square ? lookOfPixels(answer.square) : 'broken') : null,
    }
  }
}
