import { unzipSync } from 'fflate'
import type { BuildFiles } from './build-files'
import { limits } from './limits'

/** A zip that is not one, or that would not fit into memory. */
export class BadZip extends Error {}

type Entry = { name: string; path: string; bytes: number; packed: number }

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

function listEntries(bytes: Uint8Array): Entry[] {
  const entries: Entry[] = []
  let total = 0
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize, size }) => {
        const path = safePath(name)
        if (path) entries.push({ name, path, bytes: originalSize, packed: size })
        total += originalSize
        return false
      },
    })
  } catch {
    throw new BadZip('It is no zip, or it is broken.')
  }
  if (entries.length > limits.zipEntries)
    throw new BadZip(`It has ${entries.length} files; ${limits.zipEntries} are the most.`)
  if (total > limits.zipBytes)
    throw new BadZip(`It unpacks to ${Math.round(total / 1e6)} MB; ${limits.zipBytes / 1e6} MB are the most.`)
  const bomb = entries.find(
    (entry) => entry.bytes > limits.zipFileBytes || (entry.bytes > 1e6 && entry.bytes > limits.zipRatio * entry.packed),
  )
  if (bomb)
    throw new BadZip(`${bomb.path} unpacks from ${bomb.packed} to ${bomb.bytes} bytes: that is no page and no picture.`)
  return entries
}

/** Files unpacked at a time. Each call of the unpacker walks the whole directory, so one call for one file is too dear. */
const BATCH = 256

/**
 * The files of a zip, unpacked in small batches as they are read in order. What unpacks to more than its entry says is
 * refused by the unpacker; names that lead out of the archive are left out.
 *
 * @throws BadZip when it is none, or too much
 */
export function openZip(bytes: Uint8Array): BuildFiles {
  const entries = listEntries(bytes)
  const folder = commonFolder(entries.map(({ path }) => path))
  const files = entries
    .filter(({ path }) => path.startsWith(folder))
    .map(({ path, name }) => ({ path: path.slice(folder.length), name }))
    .sort((a, b) => (a.path < b.path ? -1 : 1))
  const indexOf = new Map(files.map(({ path }, index) => [path, index]))
  const isHtml = (path: string) => /\.x?html?$/i.test(path)
  let unpacked = new Map<string, Uint8Array>()

  const unpackFrom = (index: number): void => {
    // Pages are read one after the other, all of them; pictures here and there, and they are large.
    const batch = isHtml(files[index]!.path)
      ? files
          .slice(index)
          .filter(({ path }) => isHtml(path))
          .slice(0, BATCH)
      : [files[index]!]
    const pathOf = new Map(batch.map(({ name, path }) => [name, path]))
    const found = unzipSync(bytes, { filter: ({ name }) => pathOf.has(name) })
    unpacked = new Map(Object.entries(found).map(([name, content]) => [pathOf.get(name)!, content]))
  }
  return {
    paths: files.map(({ path }) => path),
    read: async (path) => {
      const index = indexOf.get(path)
      if (index !== undefined && !unpacked.has(path)) unpackFrom(index)
      const content = unpacked.get(path)
      if (!content) throw new BadZip(`${path} can’t be unpacked.`)
      return content
    },
  }
}
