'use client'

import { composedNames, type PictureTemplate } from '@/core/compose'
import type { Composed } from '@/workers/draw-composed'
import { onPicture, pictureWorkers } from '../../../state/pictures/picture-worker'
import type { ComposedOnce } from './composed-once'
import type { AskFor } from './use-compose-asks'

/** One page's picture, made. `file` is its path in the build. */
export type MadePicture = { url: string; file: string; address: string; title: string; composed: Composed }

/** One page of the manifest. */
export type ManifestEntry =
  | {
      page: string
      file: string
      address: string
      title: string
      width: number
      height: number
      bytes: number
      quality: number | null
      withinBudget: boolean
      titleCut: boolean
      contrast: number
    }
  | { page: string; file: null; left: string }

/** Bytes of pictures in one zip at most: a site of ten thousand pages takes several, and no tab's memory. */
const MAX_IN_A_ZIP = 150_000_000

/**
 * Composes pictures page by page.
 *
 * @param take is given each as it is made, and waited for
 * @returns what was made of each page, and why nothing was of the others
 */
export async function composePages(
  {
    urls,
    site,
    template,
    askFor,
    once,
  }: { urls: readonly string[]; site: string; template: PictureTemplate; askFor: AskFor; once: ComposedOnce },
  take: (made: MadePicture) => Promise<void>,
  { onDone, isStopped }: { onDone: (done: number) => void; isStopped: () => boolean },
): Promise<ManifestEntry[]> {
  const names = composedNames(urls, site, template)
  const made = new Map<number, ManifestEntry>()
  let next = 0
  const one = async (index: number): Promise<ManifestEntry> => {
    const url = urls[index]!
    const file = names.get(url)!
    const address = new URL(file, site).href
    try {
      const ask = await askFor(url, null)
      const composed = once.get(ask) ?? (await onPicture('compose', ask))
      once.keep(ask, composed)
      const { title } = ask.texts
      await take({ url, file, address, title, composed })
      return {
        page: url,
        file,
        address,
        title,
        ...template.shape,
        bytes: composed.blob.size,
        quality: composed.quality,
        withinBudget: composed.fits,
        titleCut: composed.plan.isCut,
        contrast: Math.round(composed.contrast * 10) / 10,
      }
    } catch (error) {
      return { page: url, file: null, left: error instanceof Error ? error.message : String(error) }
    }
  }
  // Each worker has one to draw and one waiting: while a page is read and a file is put away, none of them rests.
  const lane = async () => {
    while (next < urls.length && !isStopped()) {
      const index = next++
      made.set(index, await one(index))
      onDone(made.size)
    }
  }
  onDone(0)
  await Promise.all(Array.from({ length: pictureWorkers() * 2 }, lane))
  return [...made].sort(([a], [b]) => a - b).map(([, entry]) => entry)
}

export const wasMade = (entry: ManifestEntry): entry is Extract<ManifestEntry, { file: string }> => entry.file !== null

/** Pictures on their way into one zip or several; the manifest of all is in the last. */
export class ZipParts {
  private files: Record<string, Uint8Array> = {}
  private bytes = 0
  private part = 0

  /** @param save is given each zip with its number from 1 */
  constructor(private readonly save: (zip: Blob, part: number) => void) {}

  async add({ file, composed: { blob } }: MadePicture): Promise<void> {
    if (this.bytes > 0 && this.bytes + blob.size > MAX_IN_A_ZIP) await this.close()
    this.files[file] = new Uint8Array(await blob.arrayBuffer())
    this.bytes += blob.size
  }

  /** Writes what is left, with a manifest of all. */
  async end(manifest: object): Promise<void> {
    this.files['manifest.json'] = new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`)
    await this.close()
  }

  private async close(): Promise<void> {
    const { files } = this
    this.files = {}
    this.bytes = 0
    this.save(await onPicture('pack', { files }), ++this.part)
  }
}
