import { randomBytes } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { access, chmod, constants, lstat, mkdir, open, rename, stat, unlink } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { Readable, type Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import { ensureEntryNames } from '@/core/text'

/** What is written: bytes or a text at once, or pieces as they are made. */
export type Content = Uint8Array | string | Iterable<string | Uint8Array>

/** A name beside a file that nothing else has. */
const besideOf = (path: string) =>
  join(dirname(path), `.${basename(path).slice(0, 100)}.${randomBytes(6).toString('hex')}.tmp`)

/** Is it a device or a pipe, such as /dev/stdout? What is written to one goes straight in. */
async function isDevice(path: string): Promise<boolean> {
  const found = await stat(path).catch(() => null)
  return found !== null && !found.isFile() && !found.isDirectory()
}

/**
 * Tries whether a file can be written, before the work is done. Leaves nothing behind.
 *
 * @throws the file system's error where it can't
 */
export async function tryWriting(path: string): Promise<void> {
  const found = await lstat(path).catch(() => null)
  if (found?.isDirectory()) throw new Error('it is a folder')
  if (found !== null && (found.isFile() || (await isDevice(path)))) await access(path, constants.W_OK)
  if (await isDevice(path)) return
  const beside = besideOf(path)
  await (await open(beside, 'wx')).close()
  await unlink(beside)
}

/**
 * Writes a file whole or not at all: under another name beside it, which then takes its place. A file that was there
 * stays as it was where the disk is full, and a link is replaced, never written through.
 *
 * @throws the file system's error where it can't be written
 */
export async function writeFileWhole(path: string, content: Content): Promise<void> {
  const pieces = piecesOf(content)
  if (await isDevice(path)) return pipeline([Readable.from(pieces), ...packing(path), createWriteStream(path)])
  await writeBeside(path, pieces)
}

const piecesOf = (content: Content) =>
  typeof content === 'string' || content instanceof Uint8Array ? [content] : content

const packing = (path: string): Transform[] => (/\.gz$/i.test(path) ? [createGzip()] : [])

/** Writes under another name beside the file, which then takes its place, whatever stands there. */
async function writeBeside(path: string, pieces: Iterable<string | Uint8Array>): Promise<void> {
  const found = await lstat(path).catch(() => null)
  if (found?.isDirectory()) throw new Error('it is a folder')
  const beside = besideOf(path)
  try {
    await pipeline([Readable.from(pieces), ...packing(path), createWriteStream(beside, { flags: 'wx' })])
    if (found?.isFile()) await chmod(beside, found.mode & 0o777)
    await rename(beside, path)
  } catch (error) {
    await unlink(beside).catch(() => undefined)
    throw error
  }
}

/** Is it the name of a file that is being written beside another, before it takes its place? */
export const isBeingWritten = (path: string): boolean => /^\..*\.[0-9a-f]{12}\.tmp$/.test(basename(path))

/** Opens a folder that is none behind a link. */
const openFolder = (path: string) => open(path, constants.O_RDONLY | constants.O_DIRECTORY | constants.O_NOFOLLOW)

/** Does the system name an open folder? Then what becomes of its path while it is written into makes no difference. */
const NAMES_OPEN_FOLDERS = process.platform === 'linux'

/**
 * Goes down from a folder, and makes the folders on the way; none that is a link is gone into, checked as it is opened.
 *
 * @returns the path of the last, by the open folder itself where the system names it; close it when all is written
 */
async function goDown(
  folder: string,
  segments: readonly string[],
): Promise<{ at: string; close: () => Promise<void> }> {
  let handle = await open(folder, constants.O_RDONLY | constants.O_DIRECTORY)
  let plain = folder
  const place = () => (NAMES_OPEN_FOLDERS ? `/proc/self/fd/${handle.fd}` : plain)
  try {
    for (const segment of segments) {
      const next = join(place(), segment)
      plain = join(plain, segment)
      await mkdir(next).catch((error: NodeJS.ErrnoException) => {
        if (error.code !== 'EEXIST') throw error
      })
      const opened = await openFolder(next).catch((error: NodeJS.ErrnoException) => {
        const isLink = error.code === 'ELOOP' || error.code === 'ENOTDIR'
        throw isLink ? new Error(`${plain} is a link or a file, and no folder`) : error
      })
      await handle.close()
      handle = opened
    }
  } catch (error) {
    await handle.close()
    throw error
  }
  return { at: place(), close: () => handle.close() }
}

/**
 * Writes a file below a folder, whole or not at all, and makes the folders on the way. No link on the way is followed,
 * and none at the end.
 *
 * @param path from the folder, with `/`
 * @param mayReplace whether a file that is there may be replaced; absent: yes
 * @throws where the path leads out of the folder, something on the way is a link or no folder, a file is there that may
 *         not be replaced, or it can't be written
 */
export async function writeBelow(folder: string, path: string, content: Content, mayReplace = true): Promise<void> {
  ensureEntryNames([path])
  await mkdir(folder, { recursive: true })
  const segments = path.split('/')
  const { at, close } = await goDown(folder, segments.slice(0, -1))
  try {
    const file = join(at, segments.at(-1)!)
    if (!mayReplace && (await lstat(file).catch(() => null)) !== null)
      throw new Error(
        `${path} is there already, and was not written by this program. Move it away, name another folder, or say --overwrite`,
      )
    await writeBeside(file, piecesOf(content))
  } finally {
    await close()
  }
}
