import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

export const imageAnimated = defineCheck({
  id: 'image-animated',
  label: 'animated picture',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'image',
  looksAt: 'Whether share images move.',
  why: 'Only the first frame is shown: it must say what the picture says.',
  messages: {
    animated: {
      says: '{url} is animated; only its first frame is shown.',
      fix: 'Use a still picture, or make the first frame the one that counts.',
      repair: { do: 'replaceImage', needs: 'a still picture' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image) =>
      image.errorCode === null && image.animated ? { message: 'animated', data: { url: image.url } } : null,
    )
  },
})
