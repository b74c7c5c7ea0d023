import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'

const FAULTS_OF_THE_BYTES = new Set(['not-image', 'damaged', 'empty'])

export const imageUnreachable = defineCheck({
  id: 'image-unreachable',
  label: 'picture not found',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'Whether the pictures that the tags name can be fetched.',
  why: 'Places then show no picture, or take one from the content.',
  messages: {
    unseen: {
      says: '{url} was not seen. {reason}',
      fix: 'Let it be seen, or accept it as it is.',
      mend: { needs: 'the image where it can be seen' },
    },
    gone: {
      says: 'The picture {url} can’t be fetched. {reason}',
      fix: 'Put the picture there, or correct the address on line {line}.',
      anywhere: 'Put the picture there, or correct the address.',
      mend: { picture: 'the picture at that address' },
    },
    within: {
      says: 'The picture {url} lies outside of {site}; the build has it at {found}.',
      fix: 'Write {found} on line {line}: the site’s path belongs in front.',
      anywhere: 'Write {found}: the site’s path belongs in front.',
      mend: { say: '{tag}', as: '{found}' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, (image, { tag }) => {
      if (image.errorCode === null || FAULTS_OF_THE_BYTES.has(image.errorCode)) return null
      const { foundAt: found } = image
      const data = { url: image.url, line: tag.line }
      return found
        ? { message: 'within', data: { ...data, site: context.addresses.site, found, reason: '' } }
        : { message: 'gone', data: { ...data, site: '', found: '', reason: image.error ?? '' } }
    })
  },
})
