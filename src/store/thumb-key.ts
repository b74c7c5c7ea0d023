import type { ServedImage } from '@/core/crawl'

/** Key under which a picture's small copy is kept: its content, so that runs share it. */
export function thumbKey(image: Pick<ServedImage, 'hash' | 'url'>): string {
  return image.hash ?? image.url
}
