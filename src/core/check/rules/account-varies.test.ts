import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('account-varies', {
  raises: {
    'two accounts': {
      files: {
        'about.html': goodPage('about.html', 'Ferns', { s: '<meta name="twitter:site" content="@a">' }),
        'visit.html': goodPage('visit.html', 'Mosses', { s: '<meta name="twitter:site" content="@b">' }),
      },
    },
  },
  passes: {
    'one page names none': { head: { 'twitter:site': '<meta name="twitter:site" content="@a">' } },
    'another case of letters': {
      files: {
        'about.html': goodPage('about.html', 'Ferns', { s: '<meta name="twitter:site" content="@A">' }),
        'visit.html': goodPage('visit.html', 'Mosses', { s: '<meta name="twitter:site" content="@a">' }),
      },
    },
  },
})
