import { limits } from '@/core/address'
import { BadZip, type BuildFiles, type FilePart, openZip } from '@/core/crawl'

/** A file that the browser holds, read as far as it is wanted. */
export async function partOfBlob(blob: Blob, maxBytes: number): Promise<FilePart> {
  const isCut = blob.size > maxBytes
  // To take a part costs the browser as much again as to read: 0.6 ms a file beside 0.3 ms (5,000 files of 4 KB).
  const part = isCut ? blob.slice(0, maxBytes) : blob
  return { body: new Uint8Array(await part.arrayBuffer()), isCut, bytes: blob.size }
}

/** @throws BadZip where it is none, or larger than is taken into memory */
export async function openZipFile(file: Blob): Promise<BuildFiles> {
  if (file.size > limits.zipPackedBytes)
    throw new BadZip(`It has ${Math.round(file.size / 1e6)} MB; ${limits.zipPackedBytes / 1e6} MB are the most.`)
  return openZip(new Uint8Array(await file.arrayBuffer()))
}
