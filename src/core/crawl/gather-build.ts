import {
  type AddressMap,
  createAddressMap,
  createUrlFilter,
  idleGlobs,
  limits,
  parseRobots,
  pathnameOf,
  resolveAddress,
  unnamedSite,
  withSlash,
} from '../address'
import type { GatheredImage, GatheredPage, Linkers, RunNote, SourceKind } from '../model'
import { nearestWord } from '../text'
import { addressFiles, type FileReading } from './build-addresses'
import { colorsOfBuild } from './build-colors'
import {
  type BuildFiles,
  createFileMap,
  encodedPath,
  type FileMap,
  type FilePart,
  pageFiles,
  typeOfFile,
} from './build-files'
import type { Replay } from './build-part'
import { BuildSurvey } from './build-survey'
import { type CollectedSitemaps, collectSitemaps, lackOfSitemaps } from './collect-sitemaps'
import { loopingPage } from './destinations'
import type { CrawlEvent } from './events'
import { ImageQueue, type LookAtImage, lookAsHostsMay, lookByReading, readAsHostsMay } from './image-queue'
import { inParallel } from './in-parallel'
import { formsOfFile, type InferredSite, inferSite, signsOf, siteNote, sourceOfSite } from './infer-site'
import { sitemapsNamedBy } from './link-book'
import { incompletenessOf } from './notes-of-crawl'
import { NothingAnswered, noPagesIn } from './nothing-answered'
import { pageFromFetch } from './page-from-fetch'
import { PagesInStep, TOLD_AT_ONCE } from './pages-in-step'
import { PictureHosts } from './picture-hosts'
import { type CrawlEnvironment, type FetchResult, notInBuild, type ReadRequest } from './read-address'
import { scopeOf } from './scope'
import { USUAL_SITEMAPS } from './usual-sitemaps'

export type BuildOptions = {
  kind: Extract<SourceKind, 'folder' | 'zip'>
  location: string
  site: string | null
  /** A bound that was asked for; null: the default, and a build that is larger is not read whole. */
  maxPages: number | null
  concurrency: number
  /** Pages taken of one section at most: a sample. Absent or null: all. */
  perSection?: number | null
  /** Cards are shown as launched: what robots.txt says does not count for them. */
  ignoreRobots?: boolean
  /** Globs of paths that are looked at, and of those that are not; absent: all are. */
  include?: string[]
  exclude?: string[]
  /** Hosts that the user says are theirs, for pictures beside those of the site's own domain. */
  pictureHosts?: readonly string[]
  /** Tells a site that names no production URL from others that don't; absent: they share one. */
  unnamedAs?: string | null
}

/** Base of pages while nothing is known of where they will live. */
const NOWHERE = unnamedSite(null)

/** Base of a file's page until its URL is known. */
const UNPLACED = 'http://localhost/'

/** Where a build's site lives: as it was said, else as its files tell. */
export async function siteOfBuild(
  files: BuildFiles,
  readings: readonly FileReading[],
  { site, unnamedAs = null }: Pick<BuildOptions, 'site' | 'unnamedAs'>,
  outside: CrawlEnvironment,
): Promise<{ site: string; inferred: InferredSite | null }> {
  if (site !== null) return { site: withSlash(site), inferred: null }
  const map = createFileMap(files.paths, NOWHERE, new Set())
  // Links of a few hundred pages tell the path: those of all would be more than memory should hold.
  const step = Math.ceil(readings.length / PAGES_WITH_LINKS)
  const pages = readings.flatMap(({ path, page, links }, index) =>
    page.facts ? [signsOf(formsOfFile(path), page.facts, index % step === 0 ? (links?.hrefs ?? []) : null, null)] : [],
  )
  const inferred = await inferSite(pages, {
    sitemap: async () => {
      const { found } = await readSitemaps(files, readings, createAddressMap(NOWHERE, null), null, outside)
      return found.pages.map(({ page }) => page)
    },
    exists: async (path) => map.fileAt(new URL(encodedPath(path.slice(1)), NOWHERE).href) !== null,
    mostAsked: MOST_SIGNS,
    startedAt: null,
    unnamedAs,
  })
  return { site: inferred.site, inferred }
}

/** Pages of a build whose links and assets are looked at to find out the path that it lives under. */
const PAGES_WITH_LINKS = 300

/** Paths that are looked up at most to find out where a build lives. */
const MOST_SIGNS = 5000

const fileExchange = (path: string, { body, isCut, bytes }: FilePart): FetchResult => ({
  kind: 'answered',
  status: 200,
  headers: { 'content-type': typeOfFile(path) ?? 'application/octet-stream', 'content-length': String(bytes) },
  body,
  isCut,
  ms: 0,
})

const noFile = (): FetchResult => ({
  kind: 'answered',
  status: 404,
  headers: {},
  body: new Uint8Array(),
  isCut: false,
  ms: 0,
})

/** A file of the build that can't be read, as an answer. */
function unreadable(path: string, error: unknown): FetchResult {
  const message = `${path} could not be read: ${error instanceof Error ? error.message : String(error)}`
  return { kind: 'failed', code: 'bad-answer', message, ms: 0 }
}

/** Reads one HTML file. Its address is not known yet: what pages link to decides it, and that takes them all. */
export async function readFile(files: BuildFiles, path: string, outside: CrawlEnvironment): Promise<FileReading> {
  const asked = {
    url: UNPLACED + encodedPath(path),
    file: path,
    redirects: [],
    aliases: [],
    fetchedAt: outside.now().toISOString(),
  }
  try {
    const exchange = fileExchange(path, await files.read(path, limits.pageBytes))
    const { page, reading } = pageFromFetch(asked, exchange, outside.rows)!
    // What else a reading holds on to is its page's text.
    const links = reading && { hrefs: reading.hrefs, hrefPlaces: reading.hrefPlaces, refreshTo: reading.refreshTo }
    return { path, page, links }
  } catch (error) {
    const { page } = pageFromFetch(asked, unreadable(path, error))!
    return { path, page, links: null }
  }
}

/** A page that is not there, as a server would answer for it. */
function missingPage(url: string, linkers: Linkers, outside: CrawlEnvironment): GatheredPage {
  const asked = { url, file: null, redirects: [], aliases: [], fetchedAt: outside.now().toISOString() }
  const { page } = pageFromFetch(asked, noFile())!
  return { ...page, fetch: { ...page.fetch, linkers } }
}

/** Reads the sitemaps that robots.txt or pages name, else those with a usual name. */
export async function readSitemaps(
  files: BuildFiles,
  readings: readonly FileReading[],
  addresses: AddressMap,
  robotsTxt: string | null,
  outside: CrawlEnvironment,
): Promise<{ found: CollectedSitemaps; named: string[] }> {
  const { site } = addresses
  // Sitemaps are files: what decides between /name and /name.html does not matter to them.
  const map = createFileMap(files.paths, site, new Set())
  const named = robotsTxt === null ? [] : parseRobots(robotsTxt).sitemaps
  const written = [
    ...named.flatMap((address) => resolveAddress(address, site) ?? []),
    ...readings.flatMap(({ path, page }) => sitemapsNamedBy({ ...page, url: new URL(encodedPath(path), site).href })),
  ]
  const onSite = [...new Set(written)].filter((address) => addresses.isOnSite(address))
  const usual = USUAL_SITEMAPS.filter((path) => files.paths.includes(path)).map((path) => new URL(path, site).href)
  const read = async ({ url, maxBytes }: ReadRequest): Promise<FetchResult> => {
    const path = addresses.isOnSite(url) ? map.fileAt(url) : null
    if (path === null) return noFile()
    try {
      return fileExchange(path, await files.read(path, maxBytes))
    } catch (error) {
      return unreadable(path, error)
    }
  }
  return {
    found: await collectSitemaps(onSite.length > 0 || written.length > named.length ? onSite : usual, read, outside),
    named,
  }
}

/** At most so many pages of each first segment of the path, in their order. */
export function sampled(paths: readonly string[], perSection: number | null): readonly string[] {
  if (perSection === null) return paths
  const taken = new Map<string, number>()
  return paths.filter((path) => {
    const section = path.split('/', 2)[0]!
    const count = (taken.get(section) ?? 0) + 1
    taken.set(section, count)
    return count <= perSection
  })
}

/** What is said of entries that are no files. */
function passedOverNote(entries: readonly string[]): RunNote {
  const first = entries.slice(0, 3).join(', ')
  const more = entries.length > 3 ? ` and ${entries.length - 3} more` : ''
  return { kind: 'bounded', message: `Passed over, being no files: ${first}${more}.` }
}

/** What is said where the user's globs leave nothing of a build. */
function nothingLeft(
  { include = [], exclude = [] }: BuildOptions,
  pages: readonly GatheredPage[],
  site: string,
): string {
  const globs = [...include.map((glob) => `--include ${glob}`), ...exclude.map((glob) => `--exclude ${glob}`)]
  const paths = pages.slice(0, 3).map(({ url }) => pathnameOf(url))
  const urls = pages.map(({ url }) => url)
  const near = idleGlobs(include, urls, site, nearestWord).map((one) => ` ${one.near}`)
  return `${globs.join(' ')} leaves none of ${pages.length} pages. Globs see the path, as in /guides/**; pages here are ${paths.join(', ')}${pages.length > 3 ? ' …' : ''}${near.slice(0, 1).join('')}`
}

/**
 * Gathers a build from its files: every HTML file is a page, pictures of the site are looked up among the files. An
 * address of the site that links name and the build lacks is a page that is not there.
 *
 * @param lookOutside looks at pictures of other hosts; absent: they are read from here
 * @param replay what parts of the build read already, in place of its pages and pictures
 * @throws NothingAnswered when there is no HTML in it
 */
export async function* gatherBuild(
  files: BuildFiles,
  options: BuildOptions,
  outside: CrawlEnvironment,
  lookOutside: LookAtImage | null = null,
  replay: Replay | null = null,
): AsyncGenerator<CrawlEvent> {
  const startedAt = outside.now().toISOString()
  const { include = [], exclude = [], maxPages, perSection = null, ignoreRobots = false } = options
  const { pages: all, shells } = pageFiles(files.paths)
  if (all.length === 0) throw noPagesIn(options.location, options.kind, files.paths.length)
  const wanted = sampled(all, perSection).slice(0, maxPages ?? limits.maxPagesOfBuild)
  const readings: FileReading[] = replay ? [...replay.readings] : []
  const queue = (replay ? [] : wanted).values()
  const nextFile = () => {
    const { value: path } = outside.signal.aborted ? { value: undefined } : queue.next()
    return path === undefined ? null : readFile(files, path, outside)
  }
  for await (const read of inParallel(nextFile, options.concurrency)) {
    readings.push(...read)
    const fetching = read.map(({ path }) => path)
    yield { kind: 'progress', done: 0, waiting: wanted.length - readings.length, fetching }
  }
  readings.sort((a, b) => (a.path < b.path ? -1 : 1))

  const { site, inferred } = await siteOfBuild(files, readings, options, outside)
  const addresses = createAddressMap(site, null)
  const robotsTxt = await robotsOf(files)
  const { found, named } = await readSitemaps(files, readings, addresses, robotsTxt, outside)
  const map = addressFiles(
    files.paths,
    addresses.site,
    readings,
    found.pages.map(({ page }) => page),
  )
  const place = inferred ? sourceOfSite(inferred) : { site }
  const source = { kind: options.kind, location: options.location, ...place }
  const scope = scopeOf({ include, exclude, perSection, maxPages })
  yield { kind: 'started', source, view: ignoreRobots ? 'launched' : 'standing', startedAt, robotsTxt, scope }
  if (inferred) yield { kind: 'note', note: siteNote(inferred) }

  if (files.passedOver && files.passedOver.length > 0) yield { kind: 'note', note: passedOverNote(files.passedOver) }

  const survey = new BuildSurvey(addresses, map)
  const addressed = new Map<string, GatheredPage>()
  const add = ({ path, page, links }: FileReading) => {
    const url = map.addressOf(path)
    const placed = { ...page, url, fetch: { ...page.fetch, finalUrl: url } }
    if (survey.add(placed, links)) addressed.set(url, placed)
  }
  for (const one of readings) add(one)
  // Their links are noted: as many pages' would stay as long as the run goes on.
  const readCount = readings.length
  readings.length = 0
  survey.addSitemaps(found, named)
  for (const path of shells) {
    if (survey.book.of(map.addressOf(path)).count > 0 && !outside.signal.aborted)
      add(await readFile(files, path, outside))
  }
  const { leads, loops } = survey.settle()
  for (const lead of loops) {
    const { fetch, ...page } = loopingPage(lead, outside.now(), map.fileAt(lead.address))
    addressed.set(page.url, { ...page, fetch: { ...fetch, linkers: survey.book.of(page.url) } })
  }
  let missing = 0
  for (const url of survey.missing()) {
    missing++
    if (missing <= limits.missingPages) addressed.set(url, missingPage(url, survey.book.of(url), outside))
  }
  if (missing > limits.missingPages) {
    const message = `${missing} URLs that the site names are not there; the first ${limits.missingPages} are listed.`
    yield { kind: 'note', note: { kind: 'bounded', message } }
  }
  for (const [url, own] of leads) {
    const page = addressed.get(url)
    if (!page) continue
    const ledHereBy = own.map((lead) => ({ ...lead, linkers: survey.book.of(lead.address) }))
    const aliases = own.map(({ address }) => address)
    addressed.set(url, { ...page, fetch: { ...page.fetch, aliases, ledHereBy } })
  }

  const isWanted = createUrlFilter(include, exclude, site)
  const pages = [...addressed.values()].filter(({ url }) => isWanted(url))
  yield* gatherPictures(pages, files, map, addresses, options, outside, lookOutside, replay?.look ?? null)
  const dead = survey.surveyor.toAsk(new Set(pages.map(({ url }) => url))).filter((url) => map.fileAt(url) === null)
  const told = pages.map(({ url, fetch }) => ({ url, aliases: fetch.aliases }))
  const isWhole = wanted.length === all.length && pages.length === addressed.size && !outside.signal.aborted
  const colors = await colorsOfBuild(files)
  yield { kind: 'survey', survey: { ...survey.surveyor.survey(told, isWhole, dead), colors } }
  const notRead = all.length - wanted.length
  const isByUser = maxPages !== null || perSection !== null
  if (notRead > 0 && isByUser) {
    yield { kind: 'note', note: { kind: 'bounded', message: `${notRead} of ${all.length} pages were not looked at.` } }
  }
  for (const incomplete of lackOfSitemaps(found)) yield { kind: 'incomplete', incomplete }
  for (const incomplete of incompletenessOf({
    left: outside.signal.aborted ? all.length - readCount : notRead,
    pages: readCount,
    isStopped: outside.signal.aborted,
    cutBy: null,
    boundReached: isByUser ? null : wanted.length,
    tooDeep: 0,
    maxDepth: 0,
    onlyWeKeptOut: [],
    nothing: pages.length > 0 || outside.signal.aborted ? null : nothingLeft(options, [...addressed.values()], site),
    idle: pages.length === 0 ? [] : idleGlobs(include, [...addressed.keys()], site, nearestWord),
  }))
    yield { kind: 'incomplete', incomplete }
  yield { kind: 'finished', finishedAt: outside.now().toISOString(), stopped: outside.signal.aborted }
}

/** One page of a build as it is now, with the pictures that it names. */
export type LookedInBuild = { page: GatheredPage; images: GatheredImage[]; robotsTxt: string | null }

/**
 * Reads one page of a build again, and its pictures; no other page is read.
 *
 * @param known the page as it was gathered: its address doesn't change by looking
 * @throws NothingAnswered when the build has no such file
 */
export async function lookInBuild(
  files: BuildFiles,
  known: Pick<GatheredPage, 'url' | 'file'> & { aliases: string[] },
  options: Pick<BuildOptions, 'location' | 'concurrency' | 'pictureHosts'> & { site: string },
  outside: CrawlEnvironment,
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
  for await (const event of gatherPictures([page], files, map, addresses, options, outside, lookOutside, null))
    if (event.kind === 'image') images.push(event.image)
  const robotsTxt = await robotsOf(files)
  return { page, images, robotsTxt }
}

export const robotsOf = async (files: BuildFiles): Promise<string | null> =>
  files.paths.includes('robots.txt')
    ? new TextDecoder('utf-8').decode((await files.read('robots.txt', limits.robotsBytes)).body)
    : null

export async function* gatherPictures(
  pages: GatheredPage[],
  files: BuildFiles,
  map: FileMap,
  addresses: AddressMap,
  options: Pick<BuildOptions, 'concurrency' | 'pictureHosts'>,
  outside: CrawlEnvironment,
  lookOutside: LookAtImage | null,
  /** Looks at every picture, wherever it lies; null: files are read, and other hosts asked. */
  lookAtAll: LookAtImage | null,
  isPart = false,
): AsyncGenerator<CrawlEvent> {
  const readFromBuild = async ({ url, maxBytes }: ReadRequest): Promise<FetchResult> => {
    if (addresses.isBesideSite(url)) return notInBuild(url, addresses.site)
    const path = map.fileAt(url)
    if (path === null) return noFile()
    try {
      return fileExchange(path, await files.read(path, maxBytes))
    } catch (error) {
      return unreadable(path, error)
    }
  }
  const lookInside = lookByReading(readFromBuild, outside)
  const isInside = (url: string) => addresses.isOnSite(url) || addresses.isBesideSite(url)
  const hosts = new PictureHosts([addresses.site], options.pictureHosts ?? [], outside.now)
  const lookElsewhere = lookOutside
    ? lookAsHostsMay(lookOutside, hosts, outside.sleep)
    : lookByReading(readAsHostsMay(outside.read, hosts, outside.sleep), outside)
  const look: LookAtImage =
    lookAtAll ?? ((url, mayDecode) => (isInside(url) ? lookInside : lookElsewhere)(url, mayDecode))
  const desk = new ImageQueue(addresses, look, hosts, outside.sleep, isPart)
  // Whether a picture is anything but an icon takes all pages to say.
  const named: string[][] = []
  const there = new Set<string>()
  for (const [index, page] of pages.entries()) {
    if (index % TOLD_AT_ONCE === 0) yield { kind: 'progress', done: 0, waiting: pages.length, fetching: [] }
    named.push(desk.addDeclared(page).filter(isInside))
  }
  const telling = new PagesInStep(pages, (index) => named[index]!.every((url) => there.has(url)), outside.now)
  yield* telling.due()
  for (const round of ['declared', 'content'] as const) {
    if (round === 'content') desk.addContentWhereNeeded(isPart)
    const next = () => (outside.signal.aborted ? null : desk.next())
    for await (const images of inParallel(next, options.concurrency)) {
      for (const image of images) {
        there.add(image.url)
        yield { kind: 'image', image }
      }
      yield* desk.slowed()
      yield* telling.due()
    }
    yield* telling.rest()
  }
  for (const note of desk.notes()) yield { kind: 'note', note }
  for (const incomplete of desk.incompleteness()) yield { kind: 'incomplete', incomplete }
}
