import { constants, type Dirent, type Stats } from 'node:fs'
import { lstat, open, readdir, realpath, stat } from 'node:fs/promises'
import { join, sep } from 'node:path'
import type { BuildFiles, FilePart } from '@/core/crawl'

/** Folders that are never part of a build. */
const PASSED_OVER = new Set(['node_modules', '.git'])

/** What an entry is that is neither a file nor a folder. */
function kindOf(entry: Dirent | Stats): string {
  if (entry.isFIFO()) return 'a pipe'
  if (entry.isSocket()) return 'a socket'
  if (entry.isBlockDevice() || entry.isCharacterDevice()) return 'a device'
  return 'no file'
}

/**
 * The files of a folder. Links to files are followed where they stay in it. What would lead outside, in a circle, or
 * into something that is no file (a pipe, which no reading of ever ends) is passed over, and named.
 *
 * @throws when the folder can't be read
 */
export async function openFolder(folder: string): Promise<BuildFiles> {
  const root = await realpath(folder)
  const paths: string[] = []
  const passedOver: string[] = []
  const visit = async (at: string): Promise<void> => {
    const entries = await readdir(join(root, at), { withFileTypes: true })
    entries.sort((a, b) => (a.name < b.name ? -1 : 1))
    for (const entry of entries) {
      const path = at === '' ? entry.name : `${at}/${entry.name}`
      if (entry.isDirectory()) {
        if (!PASSED_OVER.has(entry.name)) await visit(path)
        continue
      }
      const fault = entry.isFile() ? null : entry.isSymbolicLink() ? await faultOfLink(root, path) : kindOf(entry)
      if (fault === null) paths.push(path)
      else passedOver.push(`${path} (${fault})`)
    }
  }
  await visit('')
  return { paths, passedOver, read: (path, maxBytes) => readWithin(root, path, maxBytes) }
}

const isWithin = (root: string, place: string) => place === root || place.startsWith(root + sep)

/**
 * Reads a file of a folder. It may have become a link since it was listed, on the way to it too: what was opened is
 * compared with what lies in the folder then.
 *
 * @throws when it can't be read, or lies outside by now
 */
async function readWithin(root: string, path: string, maxBytes: number): Promise<FilePart> {
  const place = await realpath(join(root, path))
  if (!isWithin(root, place)) throw new Error('it leads outside of the folder by now.')
  return readPart(place, maxBytes, async (opened) => {
    const now = await lstat(place)
    const isSame = now.dev === opened.dev && now.ino === opened.ino && (await realpath(place)) === place
    if (!isSame) throw new Error('it is another file by now.')
  })
}

/** Why a link is passed over; null where it leads to a file of the folder. */
async function faultOfLink(root: string, path: string): Promise<string | null> {
  try {
    const target = await realpath(join(root, path))
    if (!isWithin(root, target)) return 'a link that leads outside'
    const found = await stat(target)
    return found.isFile() ? null : `a link to ${found.isDirectory() ? 'a folder' : kindOf(found)}`
  } catch {
    return 'a link that leads nowhere'
  }
}

/**
 * Reads a file as far as it is wanted: one that says it is larger takes no more memory.
 *
 * @param ensure looks at what was opened before anything is read of it; then the last part of the path may be no link
 * @throws when it can't be read, or is no file by now
 */
export async function readPart(
  path: string,
  maxBytes: number,
  ensure: ((opened: Stats) => Promise<void>) | null = null,
): Promise<FilePart> {
  // Opened without waiting: what has become a pipe in the meantime would wait for ever.
  const noLink = ensure === null ? 0 : constants.O_NOFOLLOW
  const file = await open(path, constants.O_RDONLY | constants.O_NONBLOCK | noLink)
  try {
    const found = await file.stat()
    await ensure?.(found)
    if (!found.isFile()) throw new Error(`it is ${kindOf(found)}.`)
    const body = new Uint8Array(Math.min(found.size, maxBytes))
    let length = 0
    while (length < body.length) {
      const { bytesRead } = await file.read(body, length, body.length - length, length)
      if (bytesRead === 0) break
      length += bytesRead
    }
    return { body: body.subarray(0, length), isCut: found.size > maxBytes, bytes: found.size }
  } finally {
    await file.close()
  }
}
