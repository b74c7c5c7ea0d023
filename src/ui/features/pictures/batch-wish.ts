import { decodedPath, encodedPath } from '@/core/crawl'
import { enlargedBy } from '@/core/image'
import type { Refitted } from '@/workers/draw-refit'
import { refitAddress } from '../../state/pictures/refit-name'
import type { PictureFocus } from '../../state/pictures/use-focus'
import type { Wish } from '../../state/pictures/use-wish'

/** What became of one picture: refitted around a focus, or why it was left out. */
export type BatchResult = { kind: 'made'; focus: PictureFocus; refitted: Refitted } | { kind: 'left'; why: string }

/** One line of the manifest beside the pictures. */
type ManifestLine = { from: string } & (
  | {
      file: string
      address: string
      focus: { x: number; y: number; from: PictureFocus['origin'] }
      crop: { x: number; y: number; width: number; height: number }
      width: number
      height: number
      bytes: number
      quality: number | null
      enlarged: number | null
      withinBudget: boolean
    }
  | { file: null; left: string }
)

/** A path that is not taken yet: pictures of several folders may have one name. */
function freePath(path: string, taken: Record<string, unknown>): string {
  const [, stem, ending] = /^(.*)(\.\w+)$/.exec(path) ?? [null, path, '']
  let free = path
  for (let number = 2; free in taken; number++) free = `${stem}-${number}${ending}`
  return free
}

/** Where a picture lies in the build, as a zip's path. */
const pathIn = (address: string, site: string) => decodedPath(address.slice(site.length).split(/[?#]/)[0]!)

/**
 * The files of a batch in the folders of the build, with a manifest that says of each where it goes, what it keeps and
 * what it weighs.
 */
export async function batchFiles(
  results: readonly { url: string; result: BatchResult }[],
  { site, run, wish }: { site: string; run: string; wish: Wish },
): Promise<Record<string, Uint8Array>> {
  const files: Record<string, Uint8Array> = {}
  const pictures: ManifestLine[] = []
  for (const { url, result } of results) {
    if (result.kind === 'left') {
      pictures.push({ from: url, file: null, left: result.why })
      continue
    }
    const { blob, quality, fits, plan } = result.refitted
    const file = freePath(pathIn(refitAddress(url, site, wish.shape, wish.type), site), files)
    files[file] = new Uint8Array(await blob.arrayBuffer())
    const { focus, origin } = result.focus
    pictures.push({
      from: url,
      file,
      address: new URL(encodedPath(file), site).href,
      focus: { ...focus, from: origin },
      crop: plan.crop,
      ...plan.shape,
      bytes: blob.size,
      quality,
      enlarged: enlargedBy(plan),
      withinBudget: fits,
    })
  }
  const manifest = { format: 'nimble-parrot-refitted-pictures', version: 1, site, run, pictures }
  files['manifest.json'] = new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`)
  return files
}
