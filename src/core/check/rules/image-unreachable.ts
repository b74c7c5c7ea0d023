import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

const FAULTS_OF_THE_BYTES = new Set(['not-image', 'damaged', 'empty'])

export const imageUnreachable = defineCheck({
  id: 'image-unreachable',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'Whether the pictures that the tags name can be fetched.',
  why: 'Places then show no picture, or take one from the content.',
  messages: {
    gone: {
      says: 'The picture {url} can’t be fetched. {reason}',
      fix: 'Put the picture there, or correct the address on line {line}.',
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image, { tag }) => {
      if (image.errorCode === null || FAULTS_OF_THE_BYTES.has(image.errorCode)) return null
      return { message: 'gone', data: { url: image.url, reason: image.error ?? '', line: tag.line } }
    })
  },
})
