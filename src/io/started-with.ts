import { stat } from 'node:fs/promises'
import { basename } from 'node:path'
import { AddressSecrets, limits } from '@/core/address'
import { type BuildFiles, type FilePart, openZip, type StartedWith } from '@/core/crawl'
import { openFolder, readPart } from './folder'

/** The source that the app was started with: an address, or the whole path of a folder or a zip. */
const named = () => process.env['NIMBLE_PARROT_SOURCE'] || null

/** An address without what lets somebody in: the page that holds it is answered to whoever asks on this machine. */
function shownStart(address: string): string {
  const url = new URL(new AddressSecrets().take(new URL(address).href, 'user'))
  url.username = ''
  url.password = ''
  return url.href
}

/** The address that the app was started with, with what lets in, where a request asks for it; any other as it is. */
export function revealedStart(start: string): string {
  const source = named()
  return source !== null && /^https?:/i.test(source) && start === shownStart(source) ? source : start
}

/** @returns null where nothing was named, or what was named is gone */
export async function startedWith(): Promise<StartedWith | null> {
  const source = named()
  if (source === null) return null
  if (/^https?:/i.test(source)) return { kind: 'address', address: shownStart(source) }
  const found = await stat(/* turbopackIgnore: true */ source).catch(() => null)
  return found && { kind: found.isDirectory() ? 'folder' : 'zip', name: basename(source) }
}

/** The build as it was last listed: of another path nothing is read, whatever a request asks for. */
let listed: { source: string; files: BuildFiles; known: Set<string> } | null = null

/**
 * Lists the build that the app was started with, as it is now.
 *
 * @returns null where it was started with none
 * @throws when it can't be read
 */
export async function listBuild(): Promise<BuildFiles | null> {
  const source = named()
  const started = await startedWith()
  if (source === null || started === null || started.kind === 'address') return null
  const files =
    started.kind === 'folder' ? await openFolder(source) : openZip((await readPart(source, limits.zipPackedBytes)).body)
  listed = { source, files, known: new Set(files.paths) }
  return files
}

/**
 * Reads a file of the build, as far as it is wanted.
 *
 * @returns null where the build has no such file
 * @throws when it can't be read
 */
export async function readOfBuild(path: string, maxBytes: number): Promise<FilePart | null> {
  if (listed === null || listed.source !== named()) await listBuild()
  return listed?.known.has(path) ? listed.files.read(path, maxBytes) : null
}
