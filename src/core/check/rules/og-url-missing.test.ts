import { describeCheck } from '../../testing/describe-check'

describeCheck('og-url-missing', {
  raises: {
    absent: { head: { 'og:url': null }, expect: { level: 'warning', line: null } },
    empty: { head: { 'og:url': '<meta property="og:url" content="">' }, expect: { line: 12, column: 1 } },
    'without content': { head: { 'og:url': '<meta property="og:url">' } },
    'in a template': { head: { 'og:url': '<template><meta property="og:url" content="x"></template>' } },
  },
  passes: {
    'under name': { head: { 'og:url': '<meta name="og:url" content="x">' } },
    'in capitals': { head: { 'og:url': '<meta property=" OG:URL " content="x">' } },
    'an empty one before a full one': {
      head: { 'og:url': '<meta property="og:url" content=""><meta property="og:url" content="x">' },
    },
  },
})
