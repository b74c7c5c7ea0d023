import { realpath, stat } from 'node:fs/promises'
import { join, sep } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { createAddressMap, limits, originOf } from '@/core/address'
import { decodedPath, inParallel, type Login, openZip, PictureHosts, readAsHostsMay, readFollowing } from '@/core/crawl'
import type { RunSource } from '@/core/model'
import { plural, terminalText } from '@/core/text'
import { createCopier, type PictureCopy } from '@/io/decoder/decoder'
import { createFetcher } from '@/io/fetch-address'
import { readPart } from '@/io/folder'
import { loginHeaders } from '@/io/login-headers'
import { innerHostsNamed } from '@/io/named-hosts'
import { sha256Of } from '@/io/sha256'
import { fromHere } from './from-here'

/** Pictures that are read at once: each may be large. */
const AT_ONCE = 4

/** A picture that a run names, and the hash that it had then. */
export type WantedPicture = { url: string; hash: string | null }

/** Reads a file of a build by its path in there; null where there is none. */
type ReadFile = (path: string) => Promise<Uint8Array | null>

/** A file of a folder, which is not gone through for it. Nothing outside is read, whatever leads there. */
async function fileIn(folder: string, path: string): Promise<Uint8Array | null> {
  const root = await realpath(folder)
  const file = await realpath(join(root, path))
  return file.startsWith(root + sep) ? (await readPart(file, limits.imageBytes)).body : null
}

/** The build that a run is of, where it still lies there; null where it doesn't, or never was one. */
async function buildOf({ kind, location }: RunSource): Promise<ReadFile | null> {
  if (kind !== 'folder' && kind !== 'zip') return null
  const at = fromHere(location)
  const found = await stat(at).catch(() => null)
  if (!found || found.isDirectory() !== (kind === 'folder')) return null
  if (kind === 'folder') return (path) => fileIn(at, path)
  const files = openZip((await readPart(at, limits.zipPackedBytes)).body)
  return async (path) => (files.paths.includes(path) ? (await files.read(path, limits.imageBytes)).body : null)
}

/** Does a place that a document names lie below the working directory? */
async function isBelowHere(location: string): Promise<boolean> {
  const [here, at] = await Promise.all(
    [fromHere('.'), fromHere(location)].map((path) => realpath(path).catch(() => path)),
  )
  return at === here || at!.startsWith(here + sep)
}

const isBuild = ({ kind }: RunSource) => kind === 'folder' || kind === 'zip'

/**
 * Who may be asked for pictures. Of what only a document names nobody is asked whom the user does not name in `ask`, no
 * login goes there, and files are read below the working directory alone.
 */
export type PictureAccess = { isNamedByUser: boolean; login: Login | null; ask: readonly string[] }

/** Reads a run's pictures, where the run read them. `notAsked`: pictures by the origins that nobody said may be asked. */
type PictureReader = {
  read: (url: string) => Promise<Uint8Array | null>
  notAsked: ReadonlyMap<string, number>
  close: () => Promise<void>
}

/** What is said of pictures that were not asked for, and how they are; null where all were. */
export function notAskedWords(notAsked: ReadonlyMap<string, number>): string | null {
  const [first] = notAsked
  if (!first) return null
  const count = [...notAsked.values()].reduce((sum, one) => sum + one, 0)
  const more = notAsked.size > 1 ? ` and ${plural(notAsked.size - 1, 'more host')}` : ''
  return `${plural(count, 'image')} not fetched: only the document names ${terminalText(first[0])}${more}. To fetch them: --ask ${terminalText(first[0])}`
}

/** What reads the pictures of a run by their addresses; null for what can't be had. Close it when they are read. */
export async function bytesOfRun(
  source: RunSource,
  { isNamedByUser, login, ask }: PictureAccess,
): Promise<PictureReader> {
  const { signal } = new AbortController()
  const build = isNamedByUser || (await isBelowHere(source.location)) ? await buildOf(source) : null
  const served = isBuild(source) ? null : (source.servedAt ?? source.site)
  const addresses = createAddressMap(source.site, served, source.servedAt ?? null)
  const fetcher = createFetcher({
    innerHosts: await innerHostsNamed([...(served !== null && isNamedByUser ? [served] : []), ...ask]),
    concurrency: AT_ONCE,
    timeoutMs: limits.timeoutMs,
    signal,
    login:
      login && isNamedByUser && served !== null
        ? { origin: new URL(served).origin, headers: loginHeaders(login) }
        : null,
  })
  // Other people's hosts are asked as slowly here as in a run.
  const hosts = new PictureHosts([source.site, ...(served === null ? [] : [served])], [], () => new Date())
  const readPicture = readAsHostsMay(fetcher.read, hosts, (ms) => wait(ms))
  const mayAsk = new Set(ask.map(originOf))
  const notAsked = new Map<string, number>()
  const read = async (url: string): Promise<Uint8Array | null> => {
    // A build's own pictures are in it: at its production address there is nothing yet.
    if (served === null && addresses.isOnSite(url)) {
      const path = decodedPath(new URL(url).pathname.slice(new URL(addresses.site).pathname.length))
      return (await build?.(path)) ?? null
    }
    const askFor = async (address: string): ReturnType<typeof readPicture> => {
      const origin = originOf(address)
      if (isNamedByUser || mayAsk.has(origin))
        return readPicture({ url: address, accept: 'image', maxBytes: limits.imageBytes })
      notAsked.set(origin, (notAsked.get(origin) ?? 0) + 1)
      return { kind: 'failed', code: 'refused', message: 'Nobody said that it may be asked.', ms: 0 }
    }
    const { exchange } = await readFollowing(addresses.toBuild(url), askFor)
    return exchange.kind === 'answered' && exchange.status === 200 && !exchange.isCut ? exchange.body : null
  }
  return { read: (url) => read(url).catch(() => null), notAsked, close: fetcher.close }
}

/**
 * Small copies of a run's pictures, read where the run read them. What can't be read, is no picture, or is another by
 * now than the run saw is left out.
 *
 * @param longestSide of a copy, in pixels
 */
export async function picturesOfRun(
  source: RunSource,
  wanted: readonly WantedPicture[],
  longestSide: number,
  access: PictureAccess,
): Promise<Map<string, PictureCopy>> {
  const copies = new Map<string, PictureCopy>()
  if (wanted.length === 0) return copies
  const copy = createCopier(new AbortController().signal)
  const { read, notAsked, close } = await bytesOfRun(source, access)
  const copyOf = async ({ url, hash }: WantedPicture) => {
    const bytes = await read(url)
    const isOther = (now: Uint8Array) => hash !== null && sha256Of(now) !== hash
    return { url, made: !bytes || isOther(bytes) ? null : await copy(bytes, longestSide) }
  }
  const queue = wanted.values()
  const next = () => {
    const { value } = queue.next()
    return value ? copyOf(value) : null
  }
  try {
    for await (const done of inParallel(next, AT_ONCE)) {
      for (const { url, made } of done) if (made) copies.set(url, made)
    }
  } finally {
    await close()
  }
  const words = notAskedWords(notAsked)
  if (words !== null) process.stderr.write(`nimble-parrot: ${words}\n`)
  return copies
}
