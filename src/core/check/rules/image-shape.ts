import { eachDeclaredImage, sizedImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { isAtLeast, MIN_SHOWN } from '../sizes'

const MAX_LOST = 0.2

export const imageShape = defineCheck({
  id: 'image-shape',
  label: 'cropped picture',
  subject: 'picture',
  alsoReads: ['card'],
  family: 'image',
  level: 'warning',
  scope: 'image',
  looksAt: 'What the large cards of a page crop away from its picture.',
  why: 'What is cropped away is not seen: often a head, or the end of a line of letters.',
  messages: {
    cropped: {
      says: '{share} % of {url} is cropped away, {where}: {places}.',
      fix: 'Use a picture of 1.91 : 1 (1200 × 630), or keep what matters in its middle.',
      repair: { do: 'replaceImage', needs: 'a picture of 1.91 : 1, such as 1200 × 630' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      const size = sizedImage(image)
      // A picture that most places drop has other troubles than its shape.
      if (!size || !isAtLeast(size, MIN_SHOWN)) return null
      const losing = context.surfaces.flatMap((surface) => {
        const { layout, image: shown } = context.pictureOf(page, surface)
        if ((layout !== 'wide' && layout !== 'natural') || shown.url !== image.url || !shown.crop) return []
        const lost = 1 - (shown.crop.width * shown.crop.height) / (size.width * size.height)
        return lost > MAX_LOST ? [{ name: surface.name, lost, isTall: shown.crop.height < size.height }] : []
      })
      const worst = losing.sort((a, b) => b.lost - a.lost)[0]
      if (!worst) return null
      const where = worst.isTall ? 'at the top and the bottom' : 'at the left and the right'
      const places = losing.map(({ name }) => name).join(', ')
      return { message: 'cropped', data: { places, share: Math.round(worst.lost * 100), url: image.url, where } }
    })
  },
})
