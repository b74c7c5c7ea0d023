import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { isAtLeast, MIN_LARGE } from '../sizes'

/** Documented by the wide feed. */
const RECOMMENDED = { width: 1200, height: 630 }

export const imageBelowRecommended = defineCheck({
  id: 'image-below-recommended',
  label: 'soft picture',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'image',
  looksAt: 'The real size of share images, from their bytes.',
  why: 'Under 1200 × 630 a picture looks soft on dense screens.',
  messages: {
    below: {
      says: '{url} is {width} × {height}; 1200 × 630 is recommended.',
      fix: 'Use a picture of at least 1200 × 630.',
      repair: { do: 'replaceImage', needs: 'a picture of 1200 × 630' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      const size = sizedImage(image)
      if (!size || !isAtLeast(size, MIN_LARGE) || isAtLeast(size, RECOMMENDED)) return null
      return { message: 'below', data: { url: image.url, ...size } }
    })
  },
})
