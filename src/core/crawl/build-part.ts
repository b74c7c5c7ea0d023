import { createAddressMap, limits } from '../address'
import type { GatheredImage } from '../model'
import { addressFiles, type FileReading } from './build-addresses'
import { type BuildFiles, type FilePart, pageFiles } from './build-files'
import type { CrawlEvent } from './events'
import {
  type BuildOptions,
  gatherPictures,
  readFile,
  readSitemaps,
  robotsOf,
  sampled,
  siteOfBuild,
} from './gather-build'
import { type LookAtImage, unknown } from './image-queue'
import { inParallel } from './in-parallel'
import { noPagesIn } from './nothing-answered'
import type { CrawlEnvironment } from './read-address'

/** One of equal parts of a source, counted from 1. */
export type Shard = { index: number; of: number }

/** Is what stands at a place of a list, counted from 0, of this part? */
export const isInShard = ({ index, of }: Shard, position: number): boolean => position % of === index - 1

/** A page of a part with what only the whole makes use of: where its links lead. */
export type PartPage = FileReading

/** A small file that was read beside the pages: robots.txt, a sitemap, a shell. */
export type KeptFile = { path: string; part: FilePart }

/** Pages of a build that one of its parts reads; shells, which no part owns, are read by the first. */
export function pagesOfShard(
  paths: readonly string[],
  { perSection, maxPages }: Pick<BuildOptions, 'perSection' | 'maxPages'>,
  shard: Shard,
): string[] {
  return sampled(pageFiles(paths).pages, perSection ?? null)
    .slice(0, maxPages ?? limits.maxPagesOfBuild)
    .filter((_, position) => isInShard(shard, position))
}

/** What one part of a build is read to be. Put together, the parts are gathered as the whole build is. */
export type BuildPart = {
  /** By which the parts of one build know each other: of all its paths. */
  listing: string
  /** All paths of the build: in the first part alone. */
  paths: string[] | null
  passedOver: string[]
  /** Production address as far as this part's own pages say. */
  site: string
  pages: PartPage[]
  files: KeptFile[]
  images: GatheredImage[]
}

/** The files, and those of them that were read, each once. */
function recorded(files: BuildFiles): { files: BuildFiles; kept: Map<string, FilePart> } {
  const kept = new Map<string, FilePart>()
  const read = async (path: string, maxBytes: number) => {
    const part = await files.read(path, maxBytes)
    kept.set(path, part)
    return part
  }
  return { files: { ...files, read }, kept }
}

/**
 * Reads one part of a build: its own pages with the pictures that they name, and the small files beside them. Nothing is
 * settled that takes all pages: that is done when the parts are put together.
 *
 * @throws NothingAnswered when there is no HTML in the build
 */
export async function* gatherBuildPart(
  files: BuildFiles,
  options: BuildOptions,
  shard: Shard,
  outside: CrawlEnvironment,
): AsyncGenerator<CrawlEvent, BuildPart> {
  const { pages: all, shells } = pageFiles(files.paths)
  if (all.length === 0) throw noPagesIn(options.location, options.kind, files.paths.length)
  const wanted = pagesOfShard(files.paths, options, shard)
  const readings: FileReading[] = []
  const queue = wanted.values()
  const next = () => {
    const { value: path } = outside.signal.aborted ? { value: undefined } : queue.next()
    return path === undefined ? null : readFile(files, path, outside)
  }
  for await (const read of inParallel(next, options.concurrency)) {
    readings.push(...read)
    const fetching = read.map(({ path }) => path)
    yield { kind: 'progress', done: readings.length, waiting: wanted.length - readings.length, fetching }
  }
  readings.sort((a, b) => (a.path < b.path ? -1 : 1))
  const beside = recorded(files)
  const addresses = createAddressMap((await siteOfBuild(beside.files, readings, options, outside)).site, null)
  const robotsTxt = await robotsOf(beside.files)
  const { found } = await readSitemaps(beside.files, readings, addresses, robotsTxt, outside)
  // Pages only where somebody links to them, which no part knows by itself: there is one or two of them.
  const besides: FileReading[] = []
  if (shard.index === 1) for (const path of shells) besides.push(await readFile(beside.files, path, outside))
  const listed = found.pages.map(({ page }) => page)
  const map = addressFiles(files.paths, addresses.site, readings, listed)
  const pages = [...readings, ...besides].map(({ path, page }) => ({ ...page, url: map.addressOf(path) }))
  const images = new Map<string, GatheredImage>()
  for await (const event of gatherPictures(pages, files, map, addresses, options, outside, null, null, true)) {
    // As it was looked at: whether no outside host could be reached is told of the whole.
    if (event.kind === 'image' && !images.has(event.image.url)) images.set(event.image.url, event.image)
    if (event.kind === 'progress') yield event
  }
  return {
    listing: await outside.digest(new TextEncoder().encode(files.paths.join('\n'))),
    paths: shard.index === 1 ? [...files.paths] : null,
    passedOver: [...(files.passedOver ?? [])],
    site: addresses.site,
    pages: readings,
    files: [...beside.kept].map(([path, part]) => ({ path, part })),
    images: [...images.values()],
  }
}

/** What the parts of a build read, as what the whole is gathered from. */
export type Replay = { readings: FileReading[]; look: LookAtImage }

/**
 * Puts the parts of a build together, so that it is gathered from them as from its files.
 *
 * @param parts all of them, the first one with its paths
 */
export function replayOf(parts: readonly BuildPart[]): { files: BuildFiles; replay: Replay } {
  const kept = new Map(parts.flatMap((one) => one.files.map(({ path, part }) => [path, part] as const)))
  const images = new Map(parts.flatMap((one) => one.images.map((image) => [image.url, image] as const)))
  const readings = parts.flatMap((one) => one.pages)
  const read = async (path: string, maxBytes: number): Promise<FilePart> => {
    const part = kept.get(path)
    if (!part) throw new Error('no part holds it')
    return { ...part, body: part.body.subarray(0, maxBytes) }
  }
  const look: LookAtImage = async (url) => {
    const unseen = { ...unknown(url), errorCode: 'not-looked-at' as const, error: 'No part of the run looked at it.' }
    return images.get(url) ?? unseen
  }
  const { paths, passedOver } = parts.find((one) => one.paths !== null)!
  return { files: { paths: paths!, passedOver, read }, replay: { readings, look } }
}
