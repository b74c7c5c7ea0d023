import { groupAlike, lookFromText } from '../image'
import type { GatheredImage } from '../model'

/**
 * Share pictures that look the same without being the same file, by address; one address stands for all of the same
 * bytes.
 */
export function alikePictures(images: ReadonlyMap<string, GatheredImage>): string[][] {
  const byContent = new Map<string, GatheredImage>()
  for (const image of images.values()) {
    const key = image.hash ?? image.url
    if (!image.iconOnly && image.errorCode === null && !byContent.has(key)) byContent.set(key, image)
  }
  return groupAlike(
    [...byContent.values()].flatMap(({ url, look, width, height }) => {
      const small = lookFromText(look)
      return small && width && height ? [{ id: url, look: small, width, height }] : []
    }),
  )
}
