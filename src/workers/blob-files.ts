import { limits } from '@/core/address'
import { BadZip, type BuildFiles, type FilePart, openZip } from '@/core/crawl'

/** A file that the browser holds, read as far as it is wanted. */
export async function partOfBlob(blob: Blob, maxBytes: number): Promise<FilePart> {
  const body = new Uint8Array(await blob.slice(0, maxBytes).arrayBuffer())
  return { body, isCut: blob.size > maxBytes, bytes: blob.size }
}

/** @throws BadZip where it is none, or larger than is taken into memory */
export async function openZipFile(file: Blob): Promise<BuildFiles> {
  if (file.size > limits.zipPackedBytes)
    throw new BadZip(`It has ${Math.round(file.size / 1e6)} MB; ${limits.zipPackedBytes / 1e6} MB are the most.`)
  return openZip(new Uint8Array(await file.arrayBuffer()))
}
