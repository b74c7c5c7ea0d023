import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

export const imageNotImage = defineCheck({
  id: 'image-not-image',
  label: 'not a picture',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'The bytes behind a picture’s address.',
  why: 'An error page or a script served with status 200 is no picture; places show none.',
  messages: {
    other: {
      says: 'What {url} serves is no picture{served}.',
      fix: 'Correct the address on line {line}; it probably leads to a page.',
      anywhere: 'Correct the address; it probably leads to a page.',
      repair: { do: 'replaceImage', needs: 'a picture at that address' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image, { tag }) => {
      if (image.errorCode !== 'not-image') return null
      const served = image.contentType ? ` (served as ${image.contentType})` : ''
      return { message: 'other', data: { url: image.url, served, line: tag.line } }
    })
  },
})
