import { describeCheck } from '../../testing/describe-check'
import { goodPage, pngBytes } from '../../testing/good-site'

describeCheck('favicon-missing', {
  raises: {
    'no icon anywhere': { files: { 'favicon.ico': '' } },
    'one that is linked and is not there, beside a favicon.ico': {
      files: { 'about.html': goodPage('about.html', 'Ferns', { i: '<link rel="icon" href="/i.png">' }) },
      expect: { message: 'The icon https://site.example/i.png, linked on 1 page, is not there.' },
    },
  },
  passes: {
    'linked on one page': {
      files: {
        'favicon.ico': '',
        'i.png': pngBytes(32, 32, 900),
        'about.html': goodPage('about.html', 'Ferns', { i: '<link rel="icon" href="/i.png">' }),
      },
    },
  },
})
