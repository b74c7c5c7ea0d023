import { database } from './database'

/** The folder that a site's build was last chosen from; undefined where none was. */
export async function folderOf(site: string): Promise<FileSystemDirectoryHandle | undefined> {
  return (await database.folders.get(site))?.handle
}

export async function keepFolder(site: string, handle: FileSystemDirectoryHandle): Promise<void> {
  await database.folders.put({ site, handle })
}
