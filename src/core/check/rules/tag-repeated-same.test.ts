import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-repeated-same', {
  raises: {
    'the same twice': {
      head: { again: '<meta property="og:title" content="Ferns of the garden">' },
      expect: { level: 'note', line: 18 },
    },
  },
  passes: {
    'other values are another finding': { head: { again: '<meta property="og:title" content="x">' } },
    'one tag under two attributes': {
      head: {
        description:
          '<meta name="description" property="description" content="Ferns: one sentence that says what this page is about, and why.">',
      },
    },
  },
})
