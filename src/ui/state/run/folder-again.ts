'use client'

import type { StoredRun } from '@/store/database'
import { filesIn } from '@/workers/folder-files'
import type { ChosenFile, GatherSource } from '@/workers/protocol'
import { chooseKeptFolder, keptFolder } from './look-again'
import { siteToKeep } from './sources'

/** Files asked for at once: each is a question to the browser. */
const AT_ONCE = 50

/**
 * The folder that a run was made from, as it is now: the one that this browser keeps for the site, else it asks for it. To
 * be called on a click; null where the reader thinks better of it.
 */
export async function folderAgain({ source }: StoredRun): Promise<GatherSource | null> {
  const { site, location } = source
  const handle = (await keptFolder(site)) ?? (await chooseKeptFolder(site))
  if (!handle) return null
  const found: [string, FileSystemFileHandle][] = []
  for await (const entry of filesIn(handle)) found.push(entry)
  const files: ChosenFile[] = []
  for (let from = 0; from < found.length; from += AT_ONCE) {
    const part = found.slice(from, from + AT_ONCE)
    files.push(...(await Promise.all(part.map(async ([path, file]) => ({ path, file: await file.getFile() })))))
  }
  return { kind: 'folder', name: handle.name || location, site: siteToKeep(source), files }
}
