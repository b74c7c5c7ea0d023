import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import { setImmediate } from 'node:timers/promises'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { asSaidHere, type CheckContext, judgeAlone, KeptVerdicts, partsOf } from '@/core/check'
import type { GatheredPage } from '@/core/model'
import type { ThreadData } from './judge-thread'

/**
 * Fewer pages are judged before other threads have learned to do it fast: with 5,000 pages on two cores nothing is gained.
 */
const FROM_PAGES = 10_000

/** Beside the main thread. More would wait for it: it hands pages over and judges what takes all of them. */
const MOST_THREADS = 6

/** Pages handed over at once. */
const CHUNK = 100

export type ThreadOptions = { threads: number; fromPages: number; file?: string }

/** As many threads as the machine has cores beside the one that hands out the work. */
const usual = (): ThreadOptions => ({
  threads: Math.min(availableParallelism() - 1, MOST_THREADS),
  fromPages: FROM_PAGES,
})

/** The thread's file: beside this one in the package, TypeScript in a checkout. */
function threadFile(): string {
  const here = dirname(fileURLToPath(import.meta.url))
  const packed = join(here, 'judge-thread.mjs')
  return pathToFileURL(existsSync(packed) ? packed : join(here, 'judge-thread-from-checkout.mjs')).href
}

function* inChunks(pages: readonly GatheredPage[]): Generator<readonly GatheredPage[]> {
  for (let from = 0; from < pages.length; from += CHUNK) yield pages.slice(from, from + CHUNK)
}

/**
 * What can be said of single pages without the rest of the run, judged on all cores: by this thread and others, each
 * taking the next pages when it has done with the last. Of a small run nothing is said ahead, and nothing is where
 * threads can't be had: what is not said ahead is judged by the one that asks for the verdict.
 *
 * @param context of the whole run
 */
export async function judgeInThreads(context: CheckContext, options: ThreadOptions = usual()): Promise<KeptVerdicts> {
  const { threads, fromPages, file = threadFile() } = options
  const kept = new KeptVerdicts()
  if (context.pages.length < fromPages || threads < 1) return kept
  const { default: Tinypool } = await import('tinypool')
  const { part, toJudge } = partsOf(context)
  const workerData: ThreadData = { part }
  const pool = new Tinypool({ filename: file, minThreads: threads, maxThreads: threads, workerData })
  const left = inChunks(context.pages)
  const inThread = async () => {
    for (const pages of left) {
      const said = await pool.run(toJudge(pages))
      for (const [index, page] of pages.entries()) kept.keep(page, context, asSaidHere(said[index]))
    }
  }
  const here = async () => {
    for (const pages of left) {
      for (const page of pages) kept.keep(page, context, judgeAlone(page, context))
      // What came from the others is taken, and they get more.
      await setImmediate()
    }
  }
  try {
    // Two at a time for each: one waits there while another is judged. A thread that breaks costs time, and no verdict.
    await Promise.allSettled([...Array.from({ length: 2 * threads }, inThread), here()])
  } finally {
    await pool.destroy()
  }
  return kept
}
