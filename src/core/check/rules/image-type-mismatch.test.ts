import { describeCheck } from '../../testing/describe-check'

describeCheck('image-type-mismatch', {
  raises: {
    'og:image:type says another': {
      head: { 'og:image:width': '<meta property="og:image:type" content="image/jpeg">' },
    },
  },
  passes: {
    'the right one': { head: { 'og:image:width': '<meta property="og:image:type" content="image/png">' } },
  },
})
