import { describeCheck } from '../../testing/describe-check'
import { goodPage, pngBytes } from '../../testing/good-site'

describeCheck('card-small', {
  raises: {
    'a wide picture on a small card': {
      head: { 'twitter:card': '<meta name="twitter:card" content="summary">' },
      expect: { level: 'note', line: 17 },
    },
  },
  passes: {
    'a square one': {
      files: {
        'img/Ferns.png': pngBytes(600, 600),
        'about.html': goodPage('about.html', 'Ferns', {
          'twitter:card': '<meta name="twitter:card" content="summary">',
        }),
      },
    },
    'the large card': { head: {} },
  },
})
