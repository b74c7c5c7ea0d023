import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { isAtLeast, MIN_LARGE, MIN_SHOWN } from '../sizes'

/** Only for pictures that are shown at all; a side exactly at the limit passes. */
export const imageBelowLarge = defineCheck({
  id: 'image-below-large',
  label: 'small picture',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'image',
  looksAt: 'The real size of share images, from their bytes.',
  why: 'Under 600 × 315 a picture is shown as a stamp beside the text.',
  messages: {
    stamp: {
      says: '{url} is {width} × {height}, under 600 × 315. A stamp on: {places}.',
      fix: 'Use a picture of at least 1200 × 630.',
      repair: { do: 'replaceImage', needs: 'a picture of 1200 × 630' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      const size = sizedImage(image)
      if (!size || !isAtLeast(size, MIN_SHOWN) || isAtLeast(size, MIN_LARGE)) return null
      const stamping = context.surfaces.filter(({ picture }) => picture && !isAtLeast(size, picture.largeFrom.value))
      const places = stamping.map((surface) => surface.name).join(', ')
      return { message: 'stamp', data: { url: image.url, ...size, places } }
    })
  },
})
