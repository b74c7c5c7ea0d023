import { Inflate } from 'fflate'
import { limits } from '../address'
import { joinBytes } from '../page'
import type { BuildFiles, FilePart } from './build-files'
import { BadZip, readZipDirectory, type ZipEntry } from './zip-directory'

export { BadZip } from './zip-directory'

/** A name as a path in the build; null for one that would lead out of it, or that is no file. */
export function safePath(name: string): string | null {
  const path = name.replaceAll('\\', '/').replace(/^(?:\.\/)+/, '')
  if (path === '' || path.endsWith('/') || path.startsWith('/') || /^[a-z]:/i.test(path) || path.includes('\0'))
    return null
  return path.split('/').some((part) => part === '..' || part === '.') ? null : path
}

/** Folder that everything lies in, as archivers put it; '' when there is none, or when the root holds pages. */
export function commonFolder(paths: readonly string[]): string {
  const own = paths.filter((path) => !/^(?:__MACOSX\/|\.DS_Store$)/.test(path))
  const first = own[0]?.split('/')[0]
  return first && own.every((path) => path.startsWith(`${first}/`)) ? `${first}/` : ''
}

type Packed = ZipEntry & { path: string }

function listEntries(bytes: Uint8Array): Packed[] {
  const entries = readZipDirectory(bytes).flatMap((entry) => {
    const path = safePath(entry.name)
    return path === null ? [] : [{ ...entry, path }]
  })
  const total = entries.reduce((sum, entry) => sum + entry.bytes, 0)
  if (total > limits.zipBytes)
    throw new BadZip(`It unpacks to ${Math.round(total / 1e6)} MB; ${limits.zipBytes / 1e6} MB are the most.`)
  for (const entry of entries) {
    const packed = entry.end - entry.dataStart
    if (entry.bytes > limits.zipFileBytes || (entry.bytes > 1e6 && entry.bytes > limits.zipRatio * packed))
      throw new BadZip(`${entry.path} unpacks from ${packed} to ${entry.bytes} bytes: that is no page and no picture.`)
  }
  return entries
}

/** Packed bytes unpacked in one step: a step gives at most about 1,032 times as many (RFC 1951). */
const STEP = 8192

/** Unpacks one file as far as it is wanted. @throws BadZip where it holds more than its entry says, or is broken */
function unpack(bytes: Uint8Array, entry: Packed, maxBytes: number, spend: (bytes: number) => void): FilePart {
  const packed = bytes.subarray(entry.dataStart, entry.end)
  if (entry.isEncrypted || (entry.method !== 0 && entry.method !== 8))
    throw new BadZip(`${entry.path} is ${entry.isEncrypted ? 'encrypted' : 'packed in a way that is not read here'}.`)
  if (entry.method === 0) {
    spend(Math.min(packed.length, maxBytes))
    return { body: packed.slice(0, maxBytes), isCut: packed.length > maxBytes, bytes: packed.length }
  }
  const pieces: Uint8Array[] = []
  let length = 0
  const inflate = new Inflate((piece) => {
    pieces.push(piece)
    length += piece.length
    spend(piece.length)
  })
  for (let at = 0; at < packed.length && length <= maxBytes; at += STEP) {
    inflate.push(packed.subarray(at, at + STEP), at + STEP >= packed.length)
    if (length > entry.bytes) throw new BadZip(`${entry.path} unpacks to more than the ${entry.bytes} bytes it says.`)
  }
  const body = joinBytes(pieces)
  return { body: body.subarray(0, maxBytes), isCut: length > maxBytes, bytes: entry.bytes }
}

/**
 * The files of a zip, each unpacked when it is read and only as far as it is wanted. What unpacks to more than its entry
 * says, or to more in all than a build may have, is refused; names that lead out of the archive are left out.
 *
 * @throws BadZip when it is none, or too much
 */
export function openZip(bytes: Uint8Array): BuildFiles {
  const entries = listEntries(bytes)
  const folder = commonFolder(entries.map(({ path }) => path))
  const own = entries.filter(({ path }) => path.startsWith(folder))
  const files = new Map(own.map((entry) => [entry.path.slice(folder.length), entry]))
  let unpacked = 0
  const spend = (more: number) => {
    unpacked += more
    if (unpacked > 2 * limits.zipBytes) throw new BadZip('It unpacks to more than a build holds.')
  }
  return {
    paths: [...files.keys()].sort(),
    folder,
    read: async (path, maxBytes) => {
      const entry = files.get(path)
      if (!entry) throw new BadZip(`${path} is not in it.`)
      try {
        return unpack(bytes, entry, maxBytes, spend)
      } catch (error) {
        throw error instanceof BadZip ? error : new BadZip(`${path} can’t be unpacked: it is broken.`)
      }
    },
  }
}
