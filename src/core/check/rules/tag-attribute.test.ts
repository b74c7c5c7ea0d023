import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-attribute', {
  raises: {
    'og under name': {
      head: { 'og:title': '<meta name="og:title" content="Ferns of the garden">' },
      expect: { level: 'note', line: 10 },
    },
    'a card tag under property': {
      head: { 'twitter:card': '<meta property="twitter:card" content="summary_large_image">' },
    },
  },
  passes: {
    'one tag under both': {
      head: { 'og:title': '<meta name="og:title" property="og:title" content="Ferns of the garden">' },
    },
  },
})
