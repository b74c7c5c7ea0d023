import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { isAtLeast, MIN_SHOWN } from '../sizes'

/**
 * Sizes are pixels of the upright picture. A side exactly at its minimum passes; a picture of unknown size is not
 * judged.
 */
export const imageBelowMinimum = defineCheck({
  id: 'image-below-minimum',
  label: 'picture dropped',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'The real size of share images, from their bytes.',
  why: 'Below 200 × 200 places drop the picture altogether.',
  messages: {
    small: {
      says: '{url} is {width} × {height}, under 200 × 200. Dropped by: {places}.',
      fix: 'Use a picture of at least 1200 × 630.',
      repair: { do: 'replaceImage', needs: 'a picture of 1200 × 630' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      const size = sizedImage(image)
      if (!size || isAtLeast(size, MIN_SHOWN)) return null
      const dropping = context.surfaces.filter(({ picture }) => picture && !isAtLeast(size, picture.least.value))
      const places = dropping.map((surface) => surface.name).join(', ') || 'none of the surfaces shown'
      return { message: 'small', data: { url: image.url, ...size, places } }
    })
  },
})
