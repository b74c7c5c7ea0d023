import { zipSync } from 'fflate'
import { ensureEntryNames } from '@/core/text'

/** Files as a zip. @throws where a name is none that leads below the folder it is unpacked in */
export function packZip(files: readonly (readonly [path: string, bytes: Uint8Array])[]): Uint8Array<ArrayBuffer> {
  ensureEntryNames(files.map(([path]) => path))
  return zipSync(Object.fromEntries(files)) as Uint8Array<ArrayBuffer>
}
