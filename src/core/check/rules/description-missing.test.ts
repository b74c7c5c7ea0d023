import { describeCheck } from '../../testing/describe-check'

describeCheck('description-missing', {
  raises: {
    neither: { head: { description: null, 'og:description': null }, expect: { level: 'error', line: null } },
    'both empty': {
      head: {
        description: '<meta name="description" content=" ">',
        'og:description': '<meta property="og:description" content="">',
      },
      expect: { line: 6 },
    },
  },
  passes: {
    'description alone': { head: { 'og:description': null } },
    'og:description alone': { head: { description: null } },
  },
})
