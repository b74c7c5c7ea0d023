import { describeCheck } from '../../testing/describe-check'

describeCheck('title-cut', {
  raises: {
    'too wide for one line of the microblog': {
      head: { 'og:title': `<meta property="og:title" content="${'Ferns of the old walled garden '.repeat(3)}">` },
      expect: { level: 'note', line: 10 },
    },
  },
  passes: {
    'cut in the tab alone': {
      head: { 'og:title': '<meta property="og:title" content="Ferns of the garden and the mosses beside">' },
    },
  },
})
