import type { BuildFiles } from '@/core/crawl'
import { partOfBlob } from './blob-files'

// The types don't know yet that a folder's handle lists what it holds.
type Entries = { entries(): AsyncIterable<[string, FileSystemFileHandle | FileSystemDirectoryHandle]> }

/** Every file of a folder, with its path from there. */
export async function* filesIn(
  folder: FileSystemDirectoryHandle,
  prefix = '',
): AsyncGenerator<[string, FileSystemFileHandle]> {
  for await (const [name, handle] of (folder as unknown as Entries).entries()) {
    if (handle.kind === 'file') yield [prefix + name, handle as FileSystemFileHandle]
    else yield* filesIn(handle as FileSystemDirectoryHandle, `${prefix}${name}/`)
  }
}

/** The files of a folder that the browser may read: each is read as it is when it is asked for. */
export async function folderFiles(folder: FileSystemDirectoryHandle): Promise<BuildFiles> {
  const files = new Map<string, FileSystemFileHandle>()
  for await (const [path, handle] of filesIn(folder)) files.set(path, handle)
  return {
    paths: [...files.keys()].sort(),
    read: async (path, maxBytes) => partOfBlob(await files.get(path)!.getFile(), maxBytes),
  }
}
