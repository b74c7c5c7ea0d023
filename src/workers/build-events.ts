import { limits, originOf } from '@/core/address'
import {
  BadZip,
  type BuildFiles,
  type CrawlEnvironment,
  type CrawlEvent,
  crawlGiven,
  createFileMap,
  cutListSaid,
  defaultCrawlOptions,
  type Earlier,
  gatherBuild,
  type LookAtImage,
  NothingAnswered,
  oneByOne,
  readFromBuild,
  ServedImage,
  typeOfFile,
} from '@/core/crawl'
import { openZipFile, partOfBlob } from './blob-files'
import { decodePicture } from './decode-picture'
import { digestOf } from './digest'
import type { ChosenFile, GatherSource, GivenUrls } from './protocol'
import { servedBuild } from './served-build'
import { UserFacingError } from './user-facing-error'

/** A build that the browser holds: its events, and its pictures as blobs. */
export type BrowserBuild = {
  events: AsyncGenerator<CrawlEvent>
  /** A picture of the build by its public address; null for one that is elsewhere. */
  pictureOf: (url: string) => Promise<Blob | null>
}

/** Files read at a time. They come from a disk, not over a network. */
export const AT_ONCE = 12

export function chosenFiles(files: readonly ChosenFile[]): BuildFiles {
  const byPath = new Map(files.map(({ path, file }) => [path, file]))
  return {
    paths: [...byPath.keys()].sort(),
    read: (path, maxBytes) => partOfBlob(byPath.get(path)!, maxBytes),
  }
}

async function openSource(source: Exclude<GatherSource, { kind: 'crawl' }>): Promise<BuildFiles> {
  if (source.kind === 'folder') return chosenFiles(source.files)
  return source.kind === 'zip' ? openZipFile(source.file) : servedBuild()
}

/** The world as a worker sees it. Nothing is read over the network here but through our own server. */
export function workerEnvironment(signal: AbortSignal, earlier?: Earlier): CrawlEnvironment {
  return {
    read: async ({ url }) => ({
      kind: 'failed',
      code: 'forbidden',
      message: `${url} is not part of the build.`,
      ms: 0,
    }),
    now: () => new Date(),
    digest: digestOf,
    decode: decodePicture,
    earlier,
    sleep: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
    signal,
  }
}

/** Pictures of other hosts are looked at by our server: the browser may not read them. */
export function lookThroughServer(signal: AbortSignal): LookAtImage {
  return async (url) => {
    const response = await fetch('/api/picture', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ url }),
      signal,
    })
    if (!response.ok)
      throw new UserFacingError(`The picture ${url} could not be looked at: our server answered ${response.status}.`)
    return ServedImage.parse(await response.json())
  }
}

/** Reads the URLs of a list or a sitemap out of a build, as a server of it would answer them. */
async function* givenUrls(
  { kind, name, addresses, follow, isCut }: GivenUrls,
  files: BuildFiles,
  source: Pick<GatherSource & { kind: 'folder' | 'zip' }, 'name' | 'site' | 'pictureHosts' | 'perSection'>,
  outside: CrawlEnvironment,
): AsyncGenerator<CrawlEvent> {
  const origins = new Set(addresses.map(originOf))
  const site = source.site ?? (origins.size === 1 ? [...origins][0]! : null)
  if (site === null)
    throw new UserFacingError('The URLs are of several sites. Give the production URL of the one to read.')
  const options = {
    ...defaultCrawlOptions,
    start: '',
    site: source.site,
    unnamedAs: source.name,
    concurrency: AT_ONCE,
    pictureHosts: source.pictureHosts ?? [],
    perSection: source.perSection ?? null,
  }
  const given = { kind, location: name, addresses, follow, servedFrom: null }
  const through = {
    ...outside,
    read: readFromBuild(files, site, outside.read),
    lookElsewhere: lookThroughServer(outside.signal),
  }
  for await (const event of oneByOne(crawlGiven(given, options, through)))
    yield event.kind === 'started' ? { ...event, source: { ...event.source, build: source.name } } : event
  if (isCut) yield { kind: 'incomplete', incomplete: { why: 'pages', message: cutListSaid(name, addresses.length) } }
}

/** Gathers a folder or a zip that the browser was given. */
export async function openBrowserBuild(
  source: Exclude<GatherSource, { kind: 'crawl' }>,
  signal: AbortSignal,
  earlier?: Earlier,
): Promise<BrowserBuild> {
  try {
    const files = await openSource(source)
    const options = {
      kind: source.kind === 'served' ? source.of : source.kind,
      location: source.name,
      site: source.site,
      unnamedAs: source.name,
      maxPages: null,
      concurrency: AT_ONCE,
      pictureHosts: source.pictureHosts ?? [],
      perSection: source.kind === 'served' ? null : (source.perSection ?? null),
    }
    let fileAt = (_url: string): string | null => null
    const outside = workerEnvironment(signal, earlier)
    const only = source.kind === 'served' ? undefined : source.only
    async function* events(): AsyncGenerator<CrawlEvent> {
      const read = only
        ? givenUrls(only, files, source, outside)
        : gatherBuild(files, options, outside, lookThroughServer(signal))
      for await (const event of read) {
        if (event.kind === 'started') fileAt = createFileMap(files.paths, event.source.site, new Set()).fileAt
        yield event
      }
    }
    return {
      events: saying(events()),
      pictureOf: async (url) => {
        const path = fileAt(url)
        if (path === null) return null
        return new Blob([(await files.read(path, limits.imageBytes)).body as Uint8Array<ArrayBuffer>], {
          type: typeOfFile(path) ?? '',
        })
      },
    }
  } catch (error) {
    throw asUserFacing(error)
  }
}

/** The same failure in words that say what to try. */
export function asUserFacing(error: unknown): unknown {
  if (error instanceof BadZip)
    return new UserFacingError(`The zip can’t be read. ${error.message} Make it again from the folder of built HTML.`)
  if (error instanceof NothingAnswered)
    return new UserFacingError(
      `There is no HTML file in ${error.url}. Choose the folder that your build writes, mostly called dist, out or public.`,
    )
  return error
}

async function* saying(events: AsyncGenerator<CrawlEvent>): AsyncGenerator<CrawlEvent> {
  try {
    yield* events
  } catch (error) {
    throw asUserFacing(error)
  }
}
