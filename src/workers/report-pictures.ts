import { picturesWanted, type ReportPicture, type RunDocument } from '@/core/report'
import { imagesAt, thumbsAt } from '@/store/images'
import { thumbKey } from '@/store/thumb-key'
import { asDataAddress } from './data-address'

/** A copy with a longer side of so many pixels at most. What lets through what is behind stays so. */
async function copyOf(thumb: Blob, side: number): Promise<ReportPicture> {
  const bitmap = await createImageBitmap(thumb)
  const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height))
  const width = Math.max(1, Math.round(bitmap.width * scale))
  const height = Math.max(1, Math.round(bitmap.height * scale))
  if (scale === 1 && thumb.type !== '') {
    bitmap.close()
    return { source: await asDataAddress(thumb), width, height }
  }
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  return {
    source: await asDataAddress(await canvas.convertToBlob({ type: 'image/webp', quality: 0.74 })),
    width,
    height,
  }
}

/** Small copies of the pictures that a report shows, of those that this browser keeps. */
export async function reportPictures(
  run: string,
  document: RunDocument,
  onePage: boolean,
): Promise<Map<string, ReportPicture>> {
  const { urls, side } = picturesWanted(document, onePage)
  const images = await imagesAt(urls.map((url) => ({ run, url })))
  const thumbs = await thumbsAt(images.map((stored) => (stored ? thumbKey(stored.image) : '')))
  const pictures = new Map<string, ReportPicture>()
  for (const [index, url] of urls.entries()) {
    const blob = thumbs[index]?.blob
    // One that can't be read again has a grey box, as on the Wall.
    const copy = blob && (await copyOf(blob, side).catch(() => null))
    if (copy) pictures.set(url, copy)
  }
  return pictures
}
