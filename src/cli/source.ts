import { stat } from 'node:fs/promises'
import { limits, originOf, shownAddress } from '@/core/address'
import {
  type AddressFile,
  AddressFileReader,
  type CrawlEvent,
  CrawlRequest,
  faultOfAddressFile,
  gatherBuild,
  oneByOne,
  openZip,
  type ParsedCrawlRequest,
  readFromBuild,
} from '@/core/crawl'
import { surfacesWith } from '@/core/surface'
import { nodeEnvironment, type RunMemory } from '@/io/crawl-environment'
import { createFetcher } from '@/io/fetch-address'
import { openFolder, readPart } from '@/io/folder'
import { type InnerHosts, noInnerHosts } from '@/io/guard'
import { innerHostsNamed } from '@/io/named-hosts'
import { type CrawlTuning, runCrawl } from '@/io/run-crawl'
import { CannotRun } from './cannot-run'
import type { RunOptions } from './check'
import { fromHere } from './from-here'

const SITEMAP = /\.xml(?:\.gz)?$/i

/** `Name: value` as a header. */
function headerOf(text: string): { name: string; value: string } {
  const colon = text.indexOf(':')
  const name = text.slice(0, Math.max(0, colon)).trimEnd()
  if (name === '' || /\s/.test(name)) throw new CannotRun(`--header “${text}” is no header. Write it as "Name: value".`)
  return { name, value: text.slice(colon + 1).trim() }
}

export function loginOf({
  header,
  user,
}: RunOptions): { headers: { name: string; value: string }[]; user: string | null; password: string } | null {
  if (header.length === 0 && user === undefined) return null
  const [name, ...password] = (user ?? '').split(':')
  return { headers: header.map(headerOf), user: user === undefined ? null : (name ?? ''), password: password.join(':') }
}

/** What the command was told, with what the requirements say of where pictures lie. */
export type GatherOptions = RunOptions & {
  pictureHosts: string[]
  /** What an earlier run read, and whether links are kept for a later one. */
  memory?: RunMemory
}

type From = ParsedCrawlRequest['from']

/** What a local list or sitemap holds. */
async function addressesIn(path: string, source: string): Promise<AddressFile> {
  const reader = new AddressFileReader()
  try {
    reader.write((await readPart(path, limits.sitemapBytes + 1)).body)
    const found = reader.end()
    const fault = faultOfAddressFile(source, found)
    if (fault !== null) throw new CannotRun(fault)
    return found
  } catch (error) {
    if (error instanceof CannotRun) throw error
    throw new CannotRun(`“${source}” can’t be unpacked: it is broken, or cut off.`)
  }
}

async function fileAt(source: string) {
  const path = fromHere(source)
  const found = await stat(path).catch(() => null)
  if (!found)
    throw new CannotRun(`“${source}” is neither an http address nor a folder or file that exists (looked at ${path}).`)
  if (!found.isDirectory() && !found.isFile())
    throw new CannotRun(
      `“${source}” is neither a file nor a folder, and can’t be read. Give a folder, a .zip or a list.`,
    )
  return { path, isFolder: found.isDirectory(), bytes: found.size }
}

function crawlEvents(
  from: From,
  site: string | null,
  options: GatherOptions,
  signal: AbortSignal,
  named: Partial<NamedByUser> & Pick<CrawlTuning, 'readThrough'> = {},
): AsyncGenerator<CrawlEvent> {
  const {
    pictureHosts,
    maxPages,
    ignoreRobots,
    include,
    exclude,
    perSection,
    maxDepth,
    concurrency,
    delay: delayMs,
    timeout: timeoutMs,
  } = options
  const parsed = CrawlRequest.safeParse({
    from,
    site,
    maxPages: maxPages ?? null,
    ignoreRobots,
    include,
    exclude,
    perSection: perSection ?? null,
    login: loginOf(options),
    pictureHosts,
  })
  if (!parsed.success) throw new CannotRun(parsed.error.issues.map(({ message }) => message).join(' '))
  const askAs =
    options.askAs === undefined ? null : (surfacesWith([]).find(({ id }) => id === options.askAs)?.token ?? null)
  const batches = runCrawl(
    parsed.data,
    {
      ...(maxDepth === undefined ? {} : { maxDepth }),
      ...named,
      concurrency,
      delayMs,
      timeoutMs,
      askAs,
      pictures: options.pictures,
      memory: { ...options.memory, rows: 'commented' },
      shard: options.part ?? null,
    },
    signal,
  )
  return oneByOne(batches)
}

/** What only a crawl that follows links can heed, and what only one over the network. */
const CRAWL_ONLY = ['--max-depth']
const NETWORK_ONLY = ['--header', '--user', '--ask-as', '--delay']

const isGiven: Record<string, (options: RunOptions) => boolean> = {
  '--max-depth': ({ maxDepth }) => maxDepth !== undefined,
  '--header': ({ header }) => header.length > 0,
  '--user': ({ user }) => user !== undefined,
  '--ask-as': ({ askAs }) => askAs !== undefined,
  '--delay': ({ delay }) => delay > 0,
  '--follow': ({ follow }) => follow,
  '--build': ({ build }) => build !== undefined,
}

/** @throws CannotRun for an option that was given and that this kind of source can't heed */
function refuse(options: RunOptions, names: readonly string[], kind: string): void {
  const given = names.find((name) => isGiven[name]!(options))
  if (given !== undefined) throw new CannotRun(`${given} has no meaning for ${kind}: leave it out.`)
}

/** Inner hosts that may be asked, and the address that a login goes to, where the source itself is no word of the user. */
type NamedByUser = { innerHosts: InnerHosts; loginAt: string | null }

/** What is named beside a file that names hosts. @throws CannotRun where a login has nowhere to go */
async function namedBeside(site: string | null, options: GatherOptions): Promise<NamedByUser> {
  const named = [...(options.ask ?? []), ...(site ? [site] : [])]
  if (loginOf(options) !== null && named.length === 0)
    throw new CannotRun('A sitemap file names its own hosts: say with --ask URL which one gets the login.')
  return { innerHosts: await innerHostsNamed(named), loginAt: named[0] ?? null }
}

/**
 * Reads pages of a list or a sitemap out of a build that is not served yet.
 *
 * @throws CannotRun where the build is no folder, or nothing says which site the URLs are of
 */
async function fromBuild(
  folder: string,
  site: string | null,
  addresses: readonly string[],
): Promise<NonNullable<CrawlTuning['readThrough']>> {
  const { path, isFolder } = await fileAt(folder)
  if (!isFolder) throw new CannotRun(`--build “${folder}” is no folder. Give the folder that the build is in.`)
  const origins = new Set(addresses.map(originOf))
  const [origin] = origins
  if (site === null && (origin === undefined || origins.size > 1))
    throw new CannotRun('--build needs one site: the URLs are of several. Give the site with --site.')
  const files = await openFolder(path)
  return (read) => readFromBuild(files, site ?? origin!, read)
}

/** Events of a run over whatever the source is: an address, a folder, a zip, a sitemap, a list. */
export async function* gatherSource(
  source: string,
  site: string | null,
  options: GatherOptions,
  signal: AbortSignal,
): AsyncGenerator<CrawlEvent> {
  const { follow, maxPages, concurrency, timeout: timeoutMs } = options
  if (/^https?:\/\//i.test(source)) {
    refuse(options, ['--build'], 'an address, which is asked')
    const isSitemap = URL.canParse(source) && SITEMAP.test(new URL(source).pathname)
    refuse(
      options,
      isSitemap ? (follow ? [] : CRAWL_ONLY) : ['--follow'],
      isSitemap ? 'a sitemap' : 'an address to crawl from',
    )
    return yield* crawlEvents(
      isSitemap ? { kind: 'sitemap', address: source, follow } : { kind: 'url', start: source },
      site,
      options,
      signal,
    )
  }
  const { path, isFolder, bytes } = await fileAt(source)
  if (!isFolder && (SITEMAP.test(path) || /\.txt$/i.test(path))) {
    if (!follow) refuse(options, CRAWL_ONLY, 'a list')
    const { kind, addresses, isCut } = await addressesIn(path, source)
    // A list is the user's own word; what a sitemap names, its generator wrote.
    const named = kind === 'sitemap' ? await namedBeside(site, options) : undefined
    const built = options.build === undefined ? {} : { readThrough: await fromBuild(options.build, site, addresses) }
    const ofBuild = options.build === undefined ? {} : { build: options.build }
    const beside = { ...named, ...built }
    for await (const event of crawlEvents({ kind: 'list', addresses, isCut, follow }, site, options, signal, beside)) {
      yield event.kind === 'started'
        ? { ...event, source: { ...event.source, kind, location: shownAddress(source), ...ofBuild } }
        : event
    }
    return
  }
  if (!isFolder && !/\.zip$/i.test(path)) {
    throw new CannotRun(
      `“${source}” is a file of another kind. Give a folder, a .zip, a sitemap (.xml, .xml.gz) or a list (.txt).`,
    )
  }
  refuse(options, [...CRAWL_ONLY, ...NETWORK_ONLY, '--follow', '--build'], isFolder ? 'a folder' : 'a zip')
  if (!isFolder && bytes > limits.zipPackedBytes)
    throw new CannotRun(
      `“${source}” has ${Math.round(bytes / 1e6)} MB; ${limits.zipPackedBytes / 1e6} MB are the most of a zip. Give the folder.`,
    )
  const files = isFolder ? await openFolder(path) : openZip((await readPart(path, limits.zipPackedBytes)).body)
  const fetcher = createFetcher({ innerHosts: noInnerHosts, concurrency, timeoutMs, signal })
  try {
    const kind = isFolder ? 'folder' : 'zip'
    yield* gatherBuild(
      files,
      {
        ...{ kind, location: source, site, concurrency },
        maxPages: maxPages ?? null,
        perSection: options.perSection ?? null,
        include: options.include,
        exclude: options.exclude,
        ignoreRobots: options.ignoreRobots,
        pictureHosts: options.pictureHosts,
      },
      nodeEnvironment(fetcher.read, signal, options.pictures, { ...options.memory, rows: 'commented' }),
    )
  } finally {
    await fetcher.close()
  }
}
