import { randomBytes } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { access, chmod, constants, lstat, mkdir, open, rename, stat, unlink } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { Readable, type Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'

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
  const pieces = typeof content === 'string' || content instanceof Uint8Array ? [content] : content
  const packing: Transform[] = /\.gz$/i.test(path) ? [createGzip()] : []
  if (await isDevice(path)) return pipeline([Readable.from(pieces), ...packing, createWriteStream(path)])
  const found = await lstat(path).catch(() => null)
  if (found?.isDirectory()) throw new Error('it is a folder')
  const beside = besideOf(path)
  try {
    await pipeline([Readable.from(pieces), ...packing, createWriteStream(beside, { flags: 'wx' })])
    if (found?.isFile()) await chmod(beside, found.mode & 0o777)
    await rename(beside, path)
  } catch (error) {
    await unlink(beside).catch(() => undefined)
    throw error
  }
}

/** Is it the name of a file that is being written beside another, before it takes its place? */
export const isBeingWritten = (path: string): boolean => /^\..*\.[0-9a-f]{12}\.tmp$/.test(basename(path))

/**
 * Writes a file below a folder, whole or not at all, and makes the folders on the way. No link on the way is followed.
 *
 * @param path from the folder, with `/`
 * @param mayReplace whether a file that is there may be replaced; absent: yes
 * @throws where something on the way is a link or no folder, a file is there that may not be replaced, or it can't be written
 */
export async function writeBelow(folder: string, path: string, content: Content, mayReplace = true): Promise<void> {
  await mkdir(folder, { recursive: true })
  const segments = path.split('/')
  let at = folder
  for (const segment of segments.slice(0, -1)) {
    at = join(at, segment)
    const found = await lstat(at).catch(() => null)
    if (found === null) await mkdir(at)
    else if (!found.isDirectory()) throw new Error(`${at} is a link or a file, and no folder`)
  }
  const file = join(at, segments.at(-1)!)
  if (!mayReplace && (await lstat(file).catch(() => null)) !== null)
    throw new Error(
      `${path} is there already, and was not written by this program. Move it away, name another folder, or say --overwrite`,
    )
  await writeFileWhole(file, content)
}
