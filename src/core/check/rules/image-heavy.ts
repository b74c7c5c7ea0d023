import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { limitInWords, weightInWords } from '../sizes'

export const imageHeavy = defineCheck({
  id: 'image-heavy',
  label: 'heavy picture',
  subject: 'picture',
  family: 'image',
  level: 'warning',
  scope: 'image',
  looksAt: 'How many bytes a share image has.',
  why: 'A heavy picture comes late or not at all. The aim is 100 KB.',
  messages: {
    heavy: {
      says: '{url} weighs {weight}; the aim is 100 KB.',
      fix: 'Save it again as JPEG at quality 80, 1200 × 630: that mostly ends under 150 KB.',
      repair: { do: 'replaceImage', needs: 'the picture at 100 KB or so' },
    },
    dropped: {
      says: '{url} weighs {weight}; the aim is 100 KB. {place} drops a picture over {limit}.',
      fix: 'Save it again as JPEG at quality 80, 1200 × 630: that mostly ends under 150 KB.',
      repair: { do: 'replaceImage', needs: 'the picture at 100 KB or so' },
    },
  },
  check(page, context) {
    const most = context.ruleFor(page).limits.pictureBytes
    return eachDeclaredImage(page, context, (image) => {
      if (image.errorCode !== null || image.bytes === null || image.bytes <= most) return null
      const { bytes } = image
      const data = { url: image.url, weight: weightInWords(bytes) }
      const dropping = context.surfaces.find(
        ({ picture }) => picture?.overweight === 'warning' && picture.maxBytes && bytes > picture.maxBytes.value,
      )
      if (!dropping) return { message: 'heavy', data }
      const limit = limitInWords(dropping.picture!.maxBytes!.value)
      return { message: 'dropped', data: { ...data, place: dropping.name, limit } }
    })
  },
})
