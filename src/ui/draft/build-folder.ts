import type { BuildFiles } from '@/core/crawl/build-files'

/** A folder of the reader's disk that may be written into. */
export type OpenFolder = BuildFiles & { name: string; write: (path: string, bytes: Uint8Array) => Promise<void> }

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
  return {
    name: folder.name,
    paths: [...files.keys()].sort(),
    read: async (path) => new Uint8Array(await (await files.get(path)!.getFile()).arrayBuffer()),
    write: async (path, bytes) => {
      const stream = await files.get(path)!.createWritable()
      await stream.write(bytes)
      await stream.close()
    },
  }
}
