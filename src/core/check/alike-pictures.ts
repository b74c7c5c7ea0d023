import { groupAlike, lookFromText } from '../image'
import type { GatheredImage } from '../model'
import type { CheckContext } from './context'

const known = new WeakMap<CheckContext, string[][]>()

/**
 * Share pictures that look the same without being the same file, by address; one address stands for all of the same
 * bytes. Worked out once a run.
 */
export function alikePictures(context: CheckContext): string[][] {
  const found = known.get(context)
  if (found) return found
  const byContent = new Map<string, GatheredImage>()
  for (const image of context.images.values()) {
    const key = image.hash ?? image.url
    if (!image.iconOnly && image.errorCode === null && !byContent.has(key)) byContent.set(key, image)
  }
  const groups = groupAlike(
    [...byContent.values()].flatMap(({ url, look, width, height }) => {
      const small = lookFromText(look)
      return small && width && height ? [{ id: url, look: small, width, height }] : []
    }),
  )
  known.set(context, groups)
  return groups
}
