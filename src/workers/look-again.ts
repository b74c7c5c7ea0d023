import type { ServedImage, WireEvent } from '@/core/crawl/wire'
import type { GatheredPage, Gathering } from '@/core/model'
import { database, type StoredRun } from '@/store/database'
import { crawlStream } from './crawl-stream'
import { judge } from './judge'
import type { GatherCommand } from './protocol'
import { SaidFailure } from './said-failure'
import { ThumbMaker } from './thumb-maker'

type Look = Extract<GatherCommand, { kind: 'look' }>

/** What one look found. */
export type Looked = { page: GatheredPage; images: ServedImage[]; robotsTxt: string | null }

/** Rows written at once. */
const BATCH = 250

/** Reads one page anew, past caches, with the pictures it names. */
async function readOnce(look: Look, signal: AbortSignal): Promise<Looked> {
  let page: GatheredPage | null = null
  let robotsTxt: string | null = null
  const images: ServedImage[] = []
  for await (const event of crawlStream(look.request, signal) as AsyncIterable<WireEvent>) {
    if (event.kind === 'started') robotsTxt = event.robotsTxt
    else if (event.kind === 'page' && event.page.url === look.url) page = event.page
    else if (event.kind === 'image') images.push(event.image)
  }
  if (!page) throw new SaidFailure(`${look.url} leads to another page now. Run again to see the whole site as it is.`)
  return { page, images, robotsTxt }
}

/** The parent's run with one page, and what it names, as just found. */
export function withLook(parent: Gathering, { page, images, robotsTxt }: Looked): Gathering {
  const newImages = new Map(images.map((image) => [image.url, image]))
  return {
    ...parent,
    // A robots.txt that did not answer this once is not taken for gone.
    robotsTxt: robotsTxt ?? parent.robotsTxt,
    finishedAt: page.fetch.fetchedAt,
    pages: parent.pages.map((old) => (old.url === page.url ? page : old)),
    images: [...parent.images.filter(({ url }) => !newImages.has(url)), ...images],
  }
}

/** Everything that a stored run gathered. */
export async function gatheringOf(run: StoredRun): Promise<{ gathering: Gathering; images: ServedImage[] }> {
  const stored = await database.pages.where('run').equals(run.id).toArray()
  const byUrl = new Map(stored.map(({ url, page }) => [url, page]))
  const rows = await database.rows.where('[run+order]').between([run.id, 0], [run.id, Infinity]).toArray()
  const images = (await database.images.where('run').equals(run.id).toArray())
    // What was made here is in no build: it is nothing to be judged.
    .filter(({ made }) => !made)
    .map(({ image }) => image)
  const pages = rows.flatMap(({ url }) => byUrl.get(url) ?? [])
  const { source, startedAt, view, notes, robotsTxt, survey } = run
  return {
    gathering: { source, startedAt, finishedAt: run.finishedAt ?? '', view, notes, robotsTxt, survey, pages, images },
    images,
  }
}

/**
 * Looks again at one page: a new run is written that holds all other pages as they were. The parent is not touched, so
 * that the two can be held against each other. Checks across pages are made anew.
 */
export async function lookAgain(look: Look, signal: AbortSignal): Promise<void> {
  const parent = await database.runs.get(look.parent)
  if (!parent) throw new SaidFailure('The run that this page belongs to is not in this browser any more.')
  const looked = await readOnce(look, signal)
  const before = await gatheringOf(parent)
  const gathering = withLook(before.gathering, looked)
  const run = look.runId
  const { verdict, rows } = await judge(run, gathering)
  const served = new Map([...before.images, ...looked.images].map((image) => [image.url, image]))
  for (let from = 0; from < rows.length; from += BATCH) {
    const pages = gathering.pages.slice(from, from + BATCH)
    await database.pages.bulkPut(pages.map((page) => ({ run, url: page.url, page })))
    await database.rows.bulkPut(rows.slice(from, from + BATCH))
  }
  await database.images.bulkPut([...served.values()].map((image) => ({ run, url: image.url, image })))
  const thumbs = new ThumbMaker(() => Promise.resolve(null))
  for (const image of looked.images) thumbs.add(image)
  await database.runs.add({
    ...parent,
    id: run,
    robotsTxt: gathering.robotsTxt,
    finishedAt: gathering.finishedAt,
    touchedAt: Date.now(),
    findings: verdict.findings,
    summary: verdict.summary,
    lookedAgain: { run: parent.id, url: look.url },
  })
  await thumbs.done()
}

/** Judges a run anew: by other requirements the same pages have other findings, rows and causes. */
export async function recheck(id: string): Promise<void> {
  const run = await database.runs.get(id)
  if (!run) throw new SaidFailure('The run is not in this browser any more.')
  const { gathering } = await gatheringOf(run)
  const { verdict, rows } = await judge(id, gathering)
  for (let from = 0; from < rows.length; from += BATCH) await database.rows.bulkPut(rows.slice(from, from + BATCH))
  const notes = [...run.notes.filter(({ kind }) => kind !== 'waiver-ended'), ...verdict.notes]
  await database.runs.update(id, { findings: verdict.findings, summary: verdict.summary, notes, touchedAt: Date.now() })
}
