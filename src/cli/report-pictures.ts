import { readImageHeader } from '@/core/image'
import { picturesWanted, type ReportPicture, type RunDocument } from '@/core/report'
import { asDataAddress } from '@/io/sheet/data-address'
import type { RunOptions } from './check'
import { picturesOfRun } from './pictures-of-run'
import { loginOf } from './source'

/** Small copies of the pictures that a report shows, read where the run read them. */
export async function reportPictures(
  document: RunDocument,
  onePage: boolean,
  options: RunOptions,
): Promise<Map<string, ReportPicture>> {
  const { urls, side } = picturesWanted(document, onePage)
  const hashes = new Map(document.images.map(({ url, hash }) => [url, hash]))
  const wanted = urls.map((url) => ({ url, hash: hashes.get(url) ?? null }))
  const copies = await picturesOfRun(document.source, wanted, side, {
    isNamedByUser: options.isOfDocument !== true,
    login: loginOf(options),
    ask: options.ask ?? [],
  })
  const pictures = new Map<string, ReportPicture>()
  // In the order in which they are shown: where there is no room for all, the first have it.
  for (const url of urls) {
    const copy = copies.get(url)
    const header = copy && readImageHeader(copy.bytes)
    if (!copy || header?.kind !== 'image' || !header.width || !header.height) continue
    pictures.set(url, { source: asDataAddress(copy), width: header.width, height: header.height })
  }
  return pictures
}
