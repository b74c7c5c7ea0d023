import { readdir, readFile, realpath } from 'node:fs/promises'
import { join, sep } from 'node:path'
import type { BuildFiles } from '@/core/crawl/build-files'

/** Folders that are never part of a build. */
const PASSED_OVER = new Set(['node_modules', '.git'])

/**
 * The files of a folder. Links that lead outside it are not followed.
 *
 * @throws when the folder can't be read
 */
export async function openFolder(folder: string): Promise<BuildFiles> {
  const root = await realpath(folder)
  const paths: string[] = []
  const visit = async (at: string): Promise<void> => {
    const entries = await readdir(join(root, at), { withFileTypes: true })
    entries.sort((a, b) => (a.name < b.name ? -1 : 1))
    for (const entry of entries) {
      const path = at === '' ? entry.name : `${at}/${entry.name}`
      if (entry.isDirectory()) {
        if (!PASSED_OVER.has(entry.name)) await visit(path)
      } else if (entry.isFile() || (entry.isSymbolicLink() && (await isInside(root, path)))) paths.push(path)
    }
  }
  await visit('')
  return { paths, read: async (path) => new Uint8Array(await readFile(join(root, path))) }
}

async function isInside(root: string, path: string): Promise<boolean> {
  try {
    return (await realpath(join(root, path))).startsWith(root + sep)
  } catch {
    return false
  }
}
