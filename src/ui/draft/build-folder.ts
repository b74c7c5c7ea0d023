import type { BuildFiles } from '@/core/crawl/build-files'

/** A folder of the reader's disk that may be written into. */
export type OpenFolder = BuildFiles & {
  name: string
  /** Replaces a file that was read. Throws when it has changed since: what it says now was never seen. */
  write: (path: string, bytes: Uint8Array) => Promise<void>
}

// The page's types don't know the File System Access API yet.
type FileHandle = {
  kind: 'file'
  getFile(): Promise<File>
  createWritable(): Promise<{ write(data: Uint8Array): Promise<void>; close(): Promise<void> }>
}
type FolderHandle = { kind: 'directory'; name: string; entries(): AsyncIterable<[string, FileHandle | FolderHandle]> }
type Picker = (options: { mode: 'readwrite' }) => Promise<FolderHandle>

const picker = (): Picker | undefined => (globalThis as { showDirectoryPicker?: Picker }).showDirectoryPicker

/** Does this browser let a page write into a folder that its reader chooses? */
export const canWriteFolders = (): boolean => picker() !== undefined

async function* filesIn(folder: FolderHandle, prefix = ''): AsyncGenerator<[string, FileHandle]> {
  for await (const [name, handle] of folder.entries()) {
    if (handle.kind === 'file') yield [prefix + name, handle]
    else yield* filesIn(handle, `${prefix}${name}/`)
  }
}

/** Asks for a folder to read and to write into. Rejects with an AbortError when the reader thinks better of it. */
export async function chooseFolder(): Promise<OpenFolder> {
  const folder = await picker()!({ mode: 'readwrite' })
  const files = new Map<string, FileHandle>()
  for await (const [path, handle] of filesIn(folder)) files.set(path, handle)
  const asRead = new Map<string, File>()
  return {
    name: folder.name,
    paths: [...files.keys()].sort(),
    read: async (path) => {
      const file = await files.get(path)!.getFile()
      asRead.set(path, file)
      return new Uint8Array(await file.arrayBuffer())
    },
    write: async (path, bytes) => {
      const handle = files.get(path)!
      const [now, then] = [await handle.getFile(), asRead.get(path)]
      if (then && (now.lastModified !== then.lastModified || now.size !== then.size))
        throw new Error(
          `${path} has changed since its difference was shown, and was left as it is. Choose the folder again.`,
        )
      const stream = await handle.createWritable()
      await stream.write(bytes)
      await stream.close()
    },
  }
}
