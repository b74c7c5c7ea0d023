import { describeCheck } from '../../testing/describe-check'

describeCheck('title-long', {
  raises: {
    '71 characters': {
      head: {
        'og:title':
          '<meta property="og:title" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">',
      },
    },
    'the title itself': {
      head: {
        title: '<title>yyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyyy</title>',
      },
      expect: { level: 'warning' },
    },
  },
  passes: {
    '70 characters': {
      head: {
        'og:title':
          '<meta property="og:title" content="xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx">',
      },
    },
    'characters, not bytes': {
      head: {
        'og:title':
          '<meta property="og:title" content="éééééééééééééééééééééééééééééééééééééééééééééééééééééééééééééééééééééé">',
      },
    },
  },
})
