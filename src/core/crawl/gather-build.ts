import { addTo } from '../group-by'
import type { GatheredImage, GatheredPage, SourceKind } from '../model'
import type { PageReading } from '../page/read-page'
import { baseOf, pageAddress, pathOf } from './address'
import { type AddressMap, createAddressMap, mostNamedOrigin, withSlash } from './address-map'
import { type BuildFiles, createFileMap, decodedPath, type FileMap, pageFiles, typeOfFile } from './build-files'
import { collectSitemaps } from './collect-sitemaps'
import type { CrawlEvent } from './events'
import { createPathFilter } from './globs'
import { inParallel } from './in-parallel'
import { limits } from './limits'
import { LinksOfPages } from './links-of-pages'
import { NothingAnswered } from './nothing-answered'
import { pageOf } from './page-of'
import { type LookAtImage, lookByReading, offlineNote, PictureDesk } from './picture-desk'
import { type Exchange, notInBuild, type Outside, type ReadRequest } from './read-address'
import { parseRobots } from './robots'
import { Surveyor } from './survey'

export type BuildOptions = {
  kind: Extract<SourceKind, 'folder' | 'zip'>
  location: string
  site: string | null
  maxPages: number
  concurrency: number
  /** Globs of paths that are looked at, and of those that are not; absent: all are. */
  include?: string[]
  exclude?: string[]
}

/** Origin of pages whose build names none. */
const NO_SITE = 'http://localhost'

type FileReading = { path: string; page: GatheredPage; reading: PageReading | null }

const fileExchange = (path: string, body: Uint8Array): Exchange => ({
  kind: 'answered',
  status: 200,
  headers: { 'content-type': typeOfFile(path) ?? 'application/octet-stream' },
  body,
  isCut: false,
  ms: 0,
})

const noFile = (): Exchange => ({
  kind: 'answered',
  status: 404,
  headers: {},
  body: new Uint8Array(),
  isCut: false,
  ms: 0,
})

/** Reads one HTML file. Its address is not known yet: what pages link to decides it, and that takes them all. */
async function readFile(files: BuildFiles, path: string, outside: Outside): Promise<FileReading> {
  const asked = {
    url: `${NO_SITE}/${path}`,
    file: path,
    redirects: [],
    aliases: [],
    fetchedAt: outside.now().toISOString(),
  }
  try {
    const body = await files.read(path)
    const { page, reading } = pageOf(asked, fileExchange(path, body.subarray(0, limits.pageBytes)))!
    return { path, page, reading }
  } catch (error) {
    const message = `${path} could not be read: ${error instanceof Error ? error.message : String(error)}`
    const { page } = pageOf(asked, { kind: 'failed', code: 'bad-answer', message, ms: 0 })!
    return { path, page, reading: null }
  }
}

/** Addresses that pages name as their own, for guessing the production origin. */
function namedAddresses(readings: FileReading[]): string[] {
  return readings.flatMap(({ page: { facts } }) => [
    facts?.canonical ?? '',
    ...(facts?.metas ?? []).filter((meta) => meta.key === 'og:url').map((meta) => meta.value ?? ''),
  ])
}

/** Paths below the base that links lead to, without the slash in front. */
function linkedPaths(readings: FileReading[], site: string): Set<string> {
  const base = new URL(site)
  const linked = new Set<string>()
  for (const { path, page, reading } of readings) {
    const from = baseOf(new URL(path, site).href, page.facts?.base ?? null)
    for (const href of reading?.hrefs ?? []) {
      const address = pageAddress(href, from)
      if (!address?.startsWith(base.href)) continue
      linked.add(decodedPath(new URL(address).pathname.slice(base.pathname.length)))
    }
  }
  return linked
}

/** Pages with their addresses; a file that only refreshes elsewhere becomes an alias of where it sends. */
function addressPages(readings: FileReading[], map: FileMap): GatheredPage[] {
  const aliasesOf = new Map<string, string[]>()
  const pages: GatheredPage[] = []
  const known = new Map(readings.map(({ path }) => [path, map.addressOf(path)]))
  for (const { path, page, reading } of readings) {
    const url = known.get(path)!
    const target = reading?.refreshTo ? pageAddress(reading.refreshTo, baseOf(url, page.facts?.base ?? null)) : null
    const targetFile = target && map.fileAt(target)
    if (targetFile && targetFile !== path) {
      const at = known.get(targetFile) ?? target
      addTo(aliasesOf, at, url)
      continue
    }
    pages.push({ ...page, url, fetch: { ...page.fetch, finalUrl: url } })
  }
  return pages.map((page) => ({ ...page, fetch: { ...page.fetch, aliases: aliasesOf.get(page.url) ?? [] } }))
}

/** Notes who links to whom, and reads the sitemaps that robots.txt names, or the one with the usual name. */
async function surveyBuild(
  readings: readonly FileReading[],
  pages: readonly GatheredPage[],
  files: BuildFiles,
  map: FileMap,
  addresses: AddressMap,
  robotsTxt: string | null,
  outside: Outside,
): Promise<Surveyor> {
  const surveyor = new Surveyor(addresses)
  const links = new LinksOfPages(addresses.toPublic)
  const byUrl = new Map(pages.map((page) => [page.url, page]))
  for (const { path, reading } of readings) {
    const page = byUrl.get(map.addressOf(path))
    if (!page || !reading) continue
    // Links go to a page under any of the names that serve its file.
    const targets = links.resolve(reading.hrefs, baseOf(page.url, page.facts?.base ?? null)).map((address) => {
      const file = addresses.isOnSite(address) ? map.fileAt(address) : null
      return file ? map.addressOf(file) : address
    })
    surveyor.addLinks(page, targets)
  }
  const named = robotsTxt === null ? [] : parseRobots(robotsTxt).sitemaps
  const usual = ['sitemap.xml', 'sitemap_index.xml', 'sitemap-index.xml'].filter((path) => files.paths.includes(path))
  const first = named.length > 0 ? named : usual.map((path) => new URL(path, addresses.site).href)
  const read = async ({ url }: ReadRequest): Promise<Exchange> => {
    const path = addresses.isOnSite(url) ? map.fileAt(url) : null
    return path === null ? noFile() : fileExchange(path, await files.read(path))
  }
  surveyor.addSitemaps(await collectSitemaps(first, read, outside), named)
  return surveyor
}

/**
 * Gathers a build from its files: every HTML file is a page, pictures of the site are looked up among the files.
 *
 * @param lookOutside looks at pictures of other hosts
 * @throws NothingAnswered when there is no HTML in it
 */
export async function* gatherBuild(
  files: BuildFiles,
  options: BuildOptions,
  outside: Outside,
  lookOutside: LookAtImage = lookByReading(outside.read, outside),
): AsyncGenerator<CrawlEvent> {
  const startedAt = outside.now().toISOString()
  const all = pageFiles(files.paths)
  if (all.length === 0) throw new NothingAnswered(options.location, 'there is no HTML file in it.')
  const wanted = all.slice(0, options.maxPages)
  const readings: FileReading[] = []
  const queue = [...wanted]
  const nextFile = () => {
    const path = outside.signal.aborted ? undefined : queue.shift()
    return path === undefined ? null : readFile(files, path, outside)
  }
  for await (const read of inParallel(nextFile, options.concurrency)) {
    readings.push(...read)
    const fetching = read.map(({ path }) => path)
    yield { kind: 'progress', done: 0, waiting: wanted.length - readings.length, fetching }
  }
  readings.sort((a, b) => (a.path < b.path ? -1 : 1))

  const guessed = options.site === null ? mostNamedOrigin(namedAddresses(readings)) : null
  const addresses = createAddressMap(withSlash(options.site ?? guessed ?? NO_SITE), null)
  const map = createFileMap(files.paths, addresses.site, linkedPaths(readings, addresses.site))
  const robotsTxt = files.paths.includes('robots.txt') ? await textOf(files, 'robots.txt') : null
  const source = { kind: options.kind, location: options.location, site: addresses.site }
  yield { kind: 'started', source, view: 'standing', startedAt, robotsTxt }
  if (guessed)
    yield {
      kind: 'note',
      note: { kind: 'site-guessed', message: `Production address taken from the pages’ own tags: ${guessed}.` },
    }
  if (wanted.length < all.length) {
    yield {
      kind: 'note',
      note: { kind: 'bounded', message: `${wanted.length} of ${all.length} pages were looked at (--max-pages).` },
    }
  }
  const isWanted = createPathFilter(options.include ?? [], options.exclude ?? [])
  const addressed = addressPages(readings, map)
  const surveyor = await surveyBuild(readings, addressed, files, map, addresses, robotsTxt, outside)
  const pages = addressed.filter(({ url }) => isWanted(pathOf(url).split('?')[0]!))
  yield* gatherPictures(pages, files, map, addresses, options, outside, lookOutside)
  const dead = surveyor.toAsk(new Set(pages.map(({ url }) => url))).filter((url) => map.fileAt(url) === null)
  const told = pages.map(({ url, fetch }) => ({ url, aliases: fetch.aliases }))
  const isWhole = wanted.length === all.length && pages.length === addressed.length && !outside.signal.aborted
  yield { kind: 'survey', survey: surveyor.survey(told, isWhole, dead) }
  yield { kind: 'finished', finishedAt: outside.now().toISOString(), stopped: outside.signal.aborted }
}

/** One page of a build as it is now, with the pictures that it names. */
export type LookedInBuild = { page: GatheredPage; images: GatheredImage[]; robotsTxt: string | null }

/**
 * Reads one page of a build anew, and its pictures; no other page is read.
 *
 * @param known the page as it was gathered: its address doesn't change by looking
 * @throws NothingAnswered when the build has no such file
 */
export async function lookInBuild(
  files: BuildFiles,
  known: Pick<GatheredPage, 'url' | 'file'> & { aliases: string[] },
  options: Pick<BuildOptions, 'location' | 'concurrency'> & { site: string },
  outside: Outside,
  lookOutside: LookAtImage,
): Promise<LookedInBuild> {
  const path = known.file
  if (path === null || !files.paths.includes(path)) {
    throw new NothingAnswered(options.location, `${path ?? known.url} is not in it.`)
  }
  const { url, aliases } = known
  const addresses = createAddressMap(options.site, null)
  const map = createFileMap(files.paths, addresses.site, new Set())
  const read = (await readFile(files, path, outside)).page
  const page = { ...read, url, fetch: { ...read.fetch, finalUrl: url, aliases } }
  const images: GatheredImage[] = []
  const bounds = { concurrency: options.concurrency }
  for await (const event of gatherPictures([page], files, map, addresses, bounds, outside, lookOutside))
    if (event.kind === 'image') images.push(event.image)
  const robotsTxt = files.paths.includes('robots.txt') ? await textOf(files, 'robots.txt') : null
  return { page, images, robotsTxt }
}

const textOf = async (files: BuildFiles, path: string) => new TextDecoder('utf-8').decode(await files.read(path))

async function* gatherPictures(
  pages: GatheredPage[],
  files: BuildFiles,
  map: FileMap,
  addresses: AddressMap,
  options: Pick<BuildOptions, 'concurrency'>,
  outside: Outside,
  lookOutside: LookAtImage,
): AsyncGenerator<CrawlEvent> {
  const readFromBuild = async ({ url }: ReadRequest): Promise<Exchange> => {
    if (addresses.isBesideSite(url)) return notInBuild(url, addresses.site)
    const path = map.fileAt(url)
    return path === null ? noFile() : fileExchange(path, await files.read(path))
  }
  const lookInside = lookByReading(readFromBuild, outside)
  const isInside = (url: string) => addresses.isOnSite(url) || addresses.isBesideSite(url)
  const desk = new PictureDesk(addresses, (url) => (isInside(url) ? lookInside(url) : lookOutside(url)))
  for (const [index, page] of pages.entries()) {
    yield { kind: 'page', page }
    yield { kind: 'progress', done: index + 1, waiting: pages.length - index - 1, fetching: [] }
    desk.addDeclared(page)
  }
  for (const round of ['declared', 'content'] as const) {
    if (round === 'content') desk.addContentWhereNeeded()
    const next = () => (outside.signal.aborted ? null : desk.next())
    for await (const images of inParallel(next, options.concurrency)) {
      for (const image of images) yield { kind: 'image', image }
    }
  }
  const offline = desk.markOffline()
  for (const image of offline) yield { kind: 'image', image }
  if (offline.length > 0) yield { kind: 'note', note: offlineNote(offline.length) }
}
