import { describeCheck } from '../../testing/describe-check'

describeCheck('description-thin', {
  raises: {
    '49 characters': {
      head: { description: '<meta name="description" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">' },
    },
    'a word': { head: { 'og:description': '<meta property="og:description" content="Ferns">' } },
  },
  passes: {
    '50 characters': {
      head: { description: '<meta name="description" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">' },
    },
    'none at all is another finding': { head: { description: null } },
  },
})
