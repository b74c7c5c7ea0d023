import type { BuildFiles } from '@/core/crawl'
import { partOfBlob } from '@/workers/blob-files'
import { filesIn } from '@/workers/folder-files'

/** A folder of the reader's disk that may be written into. */
export type OpenFolder = BuildFiles & {
  name: string
  /** Replaces a file that was read. Throws when it has changed since: what it says now was never seen. */
  write: (path: string, bytes: Uint8Array) => Promise<void>
}

// The page's types don't know the picker yet.
type Picker = (options: { mode: 'read' | 'readwrite' }) => Promise<FileSystemDirectoryHandle>

/** The browser's way to ask for a folder; undefined where it has none. */
export const folderPicker = (): Picker | undefined =>
  (globalThis as { showDirectoryPicker?: Picker }).showDirectoryPicker

/** Does this browser let a page write into a folder that its reader chooses? */
export const canWriteFolders = (): boolean => folderPicker() !== undefined

/** Asks for a folder to read and to write into. Rejects with an AbortError when the reader thinks better of it. */
export async function chooseFolder(): Promise<OpenFolder> {
  const folder = await folderPicker()!({ mode: 'readwrite' })
  const files = new Map<string, FileSystemFileHandle>()
  for await (const [path, handle] of filesIn(folder)) files.set(path, handle)
  const asRead = new Map<string, File>()
  return {
    name: folder.name,
    paths: [...files.keys()].sort(),
    read: async (path, maxBytes) => {
      const file = await files.get(path)!.getFile()
      asRead.set(path, file)
      return partOfBlob(file, maxBytes)
    },
    write: async (path, bytes) => {
      const handle = files.get(path)!
      const [now, then] = [await handle.getFile(), asRead.get(path)]
      if (then && (now.lastModified !== then.lastModified || now.size !== then.size))
        throw new Error(
          `${path} has changed since its difference was shown, and was left as it is. Choose the folder again.`,
        )
      const stream = await handle.createWritable()
      await stream.write(bytes as Uint8Array<ArrayBuffer>)
      await stream.close()
    },
  }
}
