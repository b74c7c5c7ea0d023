import { requiredTag } from '../required-tag'

export const ogImageMissing = requiredTag('og:image', {
  id: 'og-image-missing',
  label: 'no og:image',
  subject: 'picture',
  lacks: 'og:image',
  family: 'open-graph',
  level: 'error',
  looksAt: 'The tag og:image.',
  why: 'A link without a picture is passed over; some places take the first picture of the content, whatever it is.',
  example: '<meta property="og:image" content="https://…"> with a picture of 1200 × 630',
  instead: 'Cards have no picture, or one that was not chosen.',
})
