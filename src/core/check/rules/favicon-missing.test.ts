import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('favicon-missing', {
  raises: {
    'no icon anywhere': { files: { 'favicon.ico': '' } },
  },
  passes: {
    'linked on one page': {
      files: {
        'favicon.ico': '',
        'about.html': goodPage('about.html', 'Ferns', { i: '<link rel="icon" href="/i.png">' }),
      },
    },
  },
})
