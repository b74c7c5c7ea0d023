import { limits } from '@/core/address'
import { DocumentReader, StatedRunReader, UnfitDocument } from '@/core/document'
import type { GatheredImage, GatheredPage, Summary } from '@/core/model'
import { keepImagesOf } from '@/store/images'
import { keepPages } from '@/store/pages'
import { deleteRun, newRunId, runBegunAt } from '@/store/runs'
import { keepJudged } from './keep-judged'
import { UserFacingError } from './user-facing-error'

/** What came of opening a document. `said`: the sum as the document has it; `known`: the run was here already. */
export type OpenedRun =
  | { known: true; run: string; site: string }
  | { known: false; run: string; site: string; pages: number; summary: Summary; said: Said }

/** The sum of a run in a document that was judged elsewhere, mostly by requirements of its own. */
type Said = Pick<Summary, 'error' | 'warning' | 'note' | 'verdict'>

/** Pages written at once. */
const BATCH = 250

const GZIP = [0x1f, 0x8b] as const

/** The file's text as it is read; what is packed is unpacked on the way. @throws UserFacingError where it can’t be */
async function* textsOf(file: Blob): AsyncGenerator<string> {
  const head = new Uint8Array(await file.slice(0, 2).arrayBuffer())
  const isPacked = GZIP.every((byte, index) => head[index] === byte)
  const bytes = isPacked ? file.stream().pipeThrough(new DecompressionStream('gzip')) : file.stream()
  const reader = bytes.getReader()
  const text = new TextDecoder()
  try {
    for (;;) {
      const { done, value } = await reader.read().catch((error: unknown) => {
        const why = error instanceof Error ? error.message : String(error)
        throw new UserFacingError(`It can’t be ${isPacked ? 'unpacked' : 'read'}: ${why}`)
      })
      if (done) return
      yield text.decode(value, { stream: true })
    }
  } finally {
    await reader.cancel().catch(() => undefined)
  }
}

/** Is a run of the same site and the same minute here? Runs never change: it is the same one. */
async function sameRun(site: string, startedAt: string, finishedAt: string): Promise<string | null> {
  const same = await runBegunAt(
    startedAt,
    (run) => run.source.site === site && run.finishedAt === finishedAt && !run.lookedAgain && !run.tried,
  )
  return same?.id ?? null
}

/**
 * Takes a run document (one object or lines, packed or not) into this browser as a run. It is read as a stream: its cards
 * are dropped as they come, and pages written by the hundreds. What was gathered is judged again, by the requirements that
 * hold here. If it fails, nothing of it stays.
 *
 * @throws UserFacingError where it is no whole run document
 */
export async function openRun(file: Blob, onPages: (pages: number) => void): Promise<OpenedRun> {
  const run = newRunId(new Date(), Math.random)
  const pages: GatheredPage[] = []
  const images = new Map<string, GatheredImage>()
  const stated = new StatedRunReader(
    // Where links lead serves a later run of the command; here it would take as much room as all else.
    ({ kept: _kept, ...page }) => pages.push(page),
    (image) => images.set(image.url, image),
  )
  let written = 0
  const write = async (least: number) => {
    if (pages.length > limits.maxPagesOfBuild)
      throw new UserFacingError(`It has more than ${limits.maxPagesOfBuild} pages: that is more than a browser holds.`)
    while (pages.length - written >= least && written < pages.length) {
      const next = pages.slice(written, written + BATCH)
      await keepPages(run, next)
      written += next.length
      onPages(written)
    }
  }
  try {
    const reader = new DocumentReader()
    for await (const text of textsOf(file)) {
      stated.take(reader.add(text))
      if (reader.fault !== null) throw new UserFacingError(reader.fault)
      await write(BATCH)
    }
    stated.take(reader.end())
    if (reader.fault !== null) throw new UserFacingError(reader.fault)
    await write(1)
    const { gathered, found } = stated.end()
    const { source, startedAt, finishedAt, view, notes, incomplete, scope, robotsTxt, survey } = gathered
    const { site } = source
    const known = await sameRun(site, startedAt, finishedAt)
    if (known !== null) {
      await deleteRun(run)
      return { known: true, run: known, site }
    }
    await keepImagesOf(
      run,
      [...images.values()].map((image) => ({ ...image, served: null })),
    )
    const kept = await keepJudged(
      {
        ...{ id: run, source, view, robotsTxt, startedAt, finishedAt, notes, incomplete, scope, survey },
        ...{ touchedAt: Date.now(), state: 'done' as const, pages: pages.length, waiting: 0, imported: true as const },
      },
      { ...gathered, pages, images: [...images.values()] },
    )
    return { known: false, run, site, pages: kept.pages, summary: kept.summary!, said: found }
  } catch (error) {
    await deleteRun(run).catch(() => undefined)
    throw error instanceof UnfitDocument ? new UserFacingError(error.message) : error
  }
}
