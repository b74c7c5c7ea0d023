import { eachDeclaredImage } from '../declared-images'
import { defineCheck, type Raised } from '../define-check'

const REFUSED = new Set(['svg', 'tiff', 'bmp', 'ico'])

export const imageFormat = defineCheck({
  id: 'image-format',
  label: 'format refused',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'The format of share images, by their bytes.',
  why: 'Places show JPEG, PNG, WebP and GIF; most refuse all else.',
  messages: {
    refused: {
      says: '{url} is {format}, which places refuse.',
      fix: 'Save it as JPEG or PNG.',
      repair: { do: 'replaceImage', needs: 'the picture as JPEG or PNG' },
    },
    new: {
      says: '{url} is AVIF, which several places do not show yet.',
      fix: 'Save it as JPEG, PNG or WebP.',
      repair: { do: 'replaceImage', needs: 'the picture as JPEG, PNG or WebP' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image): Omit<Raised, 'at' | 'image'> | null => {
      if (image.errorCode !== null || image.format === null) return null
      const data = { url: image.url, format: image.format.toUpperCase() }
      if (image.format === 'avif') return { message: 'new', level: 'warning', data }
      return REFUSED.has(image.format) ? { message: 'refused', data } : null
    })
  },
})
