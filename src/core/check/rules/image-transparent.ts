import { eachDeclaredImage } from '../declared-images'
import { defineCheck, skipCheck } from '../define-check'

export const imageTransparent = defineCheck({
  id: 'image-transparent',
  label: 'transparent picture',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'image',
  looksAt: 'Whether share images have transparent pixels.',
  why: 'Places put them on black or on white: dark letters may vanish.',
  messages: {
    transparent: {
      says: '{url} has transparent pixels.',
      fix: 'Put the picture on a background of its own.',
      repair: { do: 'replaceImage', needs: 'the picture on a ground of its own' },
    },
  },
  check(page, context) {
    const seen = context.declaredImages(page).flatMap(({ url }) => context.images.get(url) ?? [])
    // Only the whole of a picture tells whether a pixel really lets through what is behind.
    if (seen.length > 0 && seen.every(({ alpha, errorCode }) => alpha === null && errorCode === null))
      return skipCheck('picture-not-read-whole')
    return eachDeclaredImage(page, context, (image) =>
      image.errorCode === null && image.alpha === true ? { message: 'transparent', data: { url: image.url } } : null,
    )
  },
})
