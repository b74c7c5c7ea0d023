import type { ChosenFile } from '@/workers/protocol'
import { inShortTasks } from '../short-tasks'

/** Files whose paths are asked for at once: each takes the browser about 20 µs, and a folder may hold thousands. */
const PATHS_AT_ONCE = 50

/** Files of a folder that was chosen, by their paths below it. */
export async function chosenFiles(chosen: readonly File[]): Promise<{ name: string; files: ChosenFile[] }> {
  const files: ChosenFile[] = []
  await inShortTasks(chosen, PATHS_AT_ONCE, (part) => {
    for (const file of part) files.push({ path: file.webkitRelativePath.replace(/^[^/]*\//, '') || file.name, file })
  })
  return { name: chosen[0]?.webkitRelativePath.split('/')[0] || 'the folder', files }
}

const entriesOf = (reader: FileSystemDirectoryReader) =>
  new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject))

const fileOf = (entry: FileSystemFileEntry) => new Promise<File>((resolve, reject) => entry.file(resolve, reject))

async function readFolder(folder: FileSystemDirectoryEntry, prefix: string, into: ChosenFile[]): Promise<void> {
  const reader = folder.createReader()
  // A reader hands out a hundred entries at a time and says by an empty list that it is done.
  for (let entries = await entriesOf(reader); entries.length > 0; entries = await entriesOf(reader)) {
    for (const entry of entries) {
      const path = prefix + entry.name
      if (entry.isDirectory) await readFolder(entry as FileSystemDirectoryEntry, `${path}/`, into)
      else into.push({ path, file: await fileOf(entry as FileSystemFileEntry) })
    }
  }
}

export type Dropped =
  | { kind: 'folder'; name: string; files: ChosenFile[] }
  | { kind: 'zip'; name: string; file: File }
  | { kind: 'other'; name: string }

/** What was dropped: a folder with all its files, a zip, or something else. */
export async function readDropped(transfer: DataTransfer): Promise<Dropped> {
  const entry = transfer.items[0]?.webkitGetAsEntry()
  if (entry?.isDirectory) {
    const files: ChosenFile[] = []
    await readFolder(entry as FileSystemDirectoryEntry, '', files)
    return { kind: 'folder', name: entry.name, files }
  }
  const file = transfer.files[0]
  if (file && /\.zip$/i.test(file.name)) return { kind: 'zip', name: file.name, file }
  return { kind: 'other', name: file?.name ?? 'nothing' }
}
