import { eachDeclaredImage } from '../declared-images'
import { defineCheck } from '../define-check'
import { STARTER_IMAGES } from '../starter-texts'

export const imagePlaceholder = defineCheck({
  id: 'image-placeholder',
  label: 'template’s image',
  subject: 'picture',
  family: 'image',
  level: 'error',
  scope: 'image',
  looksAt: 'Whether a share image is one that a generator’s starter ships with, byte for byte.',
  why: 'It shows the generator, not the site.',
  messages: {
    starter: {
      says: '{url} is the share image of the starter that the site was made from.',
      fix: 'Use an image of the site’s own.',
      repair: { do: 'replaceImage', needs: 'a picture of 1200 × 630' },
    },
  },
  check(page, context) {
    return eachDeclaredImage(page, context, ({ url, hash }) =>
      hash !== null && STARTER_IMAGES.has(hash) ? { message: 'starter', data: { url } } : null,
    )
  },
})
