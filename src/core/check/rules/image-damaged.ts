import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

export const imageDamaged = defineCheck({
  id: 'image-damaged',
  label: 'damaged picture',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'Whether the bytes of share images are whole.',
  why: 'A damaged picture is not shown.',
  messages: {
    damaged: {
      says: '{url} is damaged: {why}.',
      fix: 'Export the picture again.',
      repair: { do: 'replaceImage', needs: 'the picture, exported again' },
    },
    empty: {
      says: '{url} has no bytes.',
      fix: 'Put the picture in its place.',
      repair: { do: 'replaceImage', needs: 'the picture in its place' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) => {
      if (image.errorCode !== 'empty' && image.errorCode !== 'damaged') return null
      const why = (image.error ?? 'it ends too early').replace(/\.$/, '')
      return { message: image.errorCode, data: { url: image.url, why } }
    })
  },
})
