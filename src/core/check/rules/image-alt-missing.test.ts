import { describeCheck } from '../../testing/describe-check'

describeCheck('image-alt-missing', {
  raises: {
    absent: { head: { 'og:image:alt': null }, expect: { level: 'warning', line: 13 } },
    empty: { head: { 'og:image:alt': '<meta property="og:image:alt" content="">' } },
  },
  passes: {
    'twitter:image:alt will do': {
      head: { 'og:image:alt': null, x: '<meta name="twitter:image:alt" content="A fern">' },
    },
    'no picture, no text': { head: { 'og:image:alt': null, 'og:image': null } },
  },
})
