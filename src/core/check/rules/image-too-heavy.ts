import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { limitInWords, weightInWords } from '../sizes'

export const imageTooHeavy = defineCheck({
  id: 'image-too-heavy',
  label: 'too heavy',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'How many bytes a share image has, against what places take.',
  why: 'Over its limit a place shows no picture at all.',
  messages: {
    refused: {
      says: '{url} weighs {weight}: {places} refuses it.',
      fix: 'Save it again as JPEG at quality 80, 1200 × 630: that mostly ends under 150 KB.',
      repair: { do: 'replaceImage', needs: 'the picture at 100 KB or so' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      const { bytes } = image
      if (image.errorCode !== null || bytes === null) return null
      const refusing = context.surfaces.filter(
        ({ picture }) =>
          picture?.maxBytes && bytes > picture.maxBytes.value && (picture.overweight ?? 'error') === 'error',
      )
      if (refusing.length === 0) return null
      const places = refusing
        .map(({ name, picture }) => `${name} (${limitInWords(picture!.maxBytes!.value)})`)
        .join(', ')
      return { message: 'refused', data: { url: image.url, weight: weightInWords(bytes), places } }
    })
  },
})
