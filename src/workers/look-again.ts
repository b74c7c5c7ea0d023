import { limits } from '@/core/address'
import {
  type BuildFiles,
  type CrawlRequest,
  createFileMap,
  lookInBuild,
  NothingAnswered,
  type ServedImage,
  typeOfFile,
  type WireEvent,
} from '@/core/crawl'
import type { GatheredPage, Gathering } from '@/core/model'
import type { StoredRun } from '@/store/database'
import { givenImages, keepImagesOf } from '@/store/images'
import { allPagesOf, keepPages, ownPagesOf, readStoredPage } from '@/store/pages'
import { pageAddresses, putRows } from '@/store/rows'
import { addRun, changeRun, runAt } from '@/store/runs'
import { openZipFile } from './blob-files'
import { AT_ONCE, asUserFacing, chosenFiles, lookThroughServer, workerEnvironment } from './build-events'
import { crawlStream } from './crawl-stream'
import { folderFiles } from './folder-files'
import { judge } from './judge'
import type { ChosenFile, GatherCommand, LookPlace } from './protocol'
import { servedBuild } from './served-build'
import { ThumbMaker } from './thumb-maker'
import { UserFacingError } from './user-facing-error'

type Look = Extract<GatherCommand, { kind: 'look' }>

/** What one look found. */
export type Looked = { page: GatheredPage; images: ServedImage[]; robotsTxt: string | null }

/** Files of the build that a page is looked for in; null for a crawl. */
async function buildOf(at: LookPlace, chosen: readonly ChosenFile[]): Promise<BuildFiles | null> {
  if (at.kind === 'crawl') return null
  if (at.kind === 'files') return chosenFiles(chosen)
  if (at.kind === 'zip') return openZipFile(at.file)
  if (at.kind === 'served') return servedBuild()
  return folderFiles(at.handle)
}

/** Reads one page of a folder or zip again. Its pictures are kept, since no address serves them. */
async function readInBuild(files: BuildFiles, parent: StoredRun, url: string, signal: AbortSignal): Promise<Looked> {
  const known = await readStoredPage(parent.id, url)
  if (!known) throw new UserFacingError(`${url} is no page of this run.`)
  const { fetch } = known.page
  const { location, site, kind, build } = parent.source
  const file = known.page.file ?? createFileMap(files.paths, site, new Set()).fileAt(url)
  const looked = await lookInBuild(
    files,
    { url, file, aliases: fetch.aliases },
    { location, site, concurrency: AT_ONCE },
    workerEnvironment(signal),
    lookThroughServer(signal),
  ).catch((error: unknown) => {
    if (!(error instanceof NothingAnswered)) throw error
    throw new UserFacingError(
      `${file ?? url} is not in ${build ? 'it' : `this ${kind}`}. Choose the one that the run was made from.`,
    )
  })
  if (looked.page.fetch.error) throw new UserFacingError(looked.page.fetch.error)
  return { ...looked, images: looked.images.map((image) => ({ served: null, ...image })) }
}

/** Reads one page again, past caches, with the pictures it names. */
async function readOnce(look: Look, request: CrawlRequest, signal: AbortSignal): Promise<Looked> {
  let page: GatheredPage | null = null
  let robotsTxt: string | null = null
  const images: ServedImage[] = []
  for await (const event of crawlStream(request, signal) as AsyncIterable<WireEvent>) {
    if (event.kind === 'started') robotsTxt = event.robotsTxt
    else if (event.kind === 'page' && event.page.url === look.url) page = event.page
    else if (event.kind === 'image') images.push(event.image)
  }
  if (!page)
    throw new UserFacingError(`${look.url} leads to another page now. Run again to see the whole site as it is.`)
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

/** A picture of the build by its public address; null for one that is elsewhere. */
async function pictureIn(files: BuildFiles, site: string, url: string): Promise<Blob | null> {
  const path = createFileMap(files.paths, site, new Set()).fileAt(url)
  if (path === null) return null
  return new Blob([(await files.read(path, limits.imageBytes)).body as Uint8Array<ArrayBuffer>], {
    type: typeOfFile(path) ?? '',
  })
}

/** What a stored run gathered, with pages and pictures of it that were read. */
export function asGathering(run: StoredRun, pages: GatheredPage[], images: ServedImage[]): Gathering {
  const { source, startedAt, view, notes, incomplete, scope, robotsTxt, survey } = run
  const finishedAt = run.finishedAt ?? ''
  return { source, startedAt, finishedAt, view, notes, incomplete, scope, robotsTxt, survey, pages, images }
}

/**
 * Everything that a stored run gathered.
 * @param known the addresses of the run's pages in their order, where that is known
 */
export async function gatheringOf(
  run: StoredRun,
  known?: readonly string[],
): Promise<{ gathering: Gathering; images: ServedImage[] }> {
  const stored = await allPagesOf(run.id, run.base ?? null)
  const images = await givenImages(run.id)
  const pages = (known ?? (await pageAddresses(run.id))).flatMap((url) => stored.get(url)?.page ?? [])
  return { gathering: asGathering(run, pages, images), images }
}

/**
 * Looks again at one page: a new run is written that holds all other pages as they were. The parent is not touched, so
 * that the two can be held against each other. Checks across pages are made again.
 */
export async function runLook(look: Look, chosen: readonly ChosenFile[], signal: AbortSignal): Promise<void> {
  const parent = await runAt(look.parent)
  if (!parent) throw new UserFacingError('The run that this page belongs to is not in this browser any more.')
  const files = await buildOf(look.at, chosen).catch((error: unknown) => Promise.reject(asUserFacing(error)))
  const looked = files
    ? await readInBuild(files, parent, look.url, signal)
    : await readOnce(look, (look.at as Extract<LookPlace, { kind: 'crawl' }>).request, signal)
  const before = await gatheringOf(parent)
  const gathering = withLook(before.gathering, looked)
  const run = look.runId
  const { verdict, rows } = await judge(run, gathering)
  const served = new Map([...before.images, ...looked.images].map((image) => [image.url, image]))
  // Of pages only those that are not as the base has them: this one, and others looked at before.
  const base = parent.base ?? parent.id
  const lookedAt = parent.base ? await ownPagesOf(parent.id) : []
  const own = new Map([...lookedAt, looked.page].map((page) => [page.url, page]))
  await keepPages(run, [...own.values()])
  const room = await putRows(rows)
  await keepImagesOf(run, [...served.values()])
  const thumbs = new ThumbMaker(async (url) => (files ? pictureIn(files, parent.source.site, url) : null))
  for (const image of looked.images) thumbs.add(image)
  // Who signed for the parent, and the day it went live, are not this run's: it says something else.
  const { signedOff: _signedOff, launchedAt: _launchedAt, ...inherited } = parent
  await addRun({
    ...inherited,
    id: run,
    base,
    size: JSON.stringify(looked.page).length + room,
    robotsTxt: gathering.robotsTxt,
    finishedAt: gathering.finishedAt,
    touchedAt: Date.now(),
    findings: verdict.findings,
    summary: verdict.summary,
    lookedAgain: { run: parent.id, url: look.url },
  })
  await thumbs.done()
}

/** Judges a run again: by other requirements the same pages have other findings, rows and causes. */
export async function recheck(id: string): Promise<void> {
  const run = await runAt(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  const { gathering } = await gatheringOf(run)
  const { verdict, rows } = await judge(id, gathering)
  await putRows(rows)
  const notes = [
    ...run.notes.filter(({ kind }) => kind !== 'waiver-ended' && kind !== 'requirements'),
    ...verdict.notes,
  ]
  await changeRun(id, { findings: verdict.findings, summary: verdict.summary, notes, touchedAt: Date.now() })
}
