import { describeCheck } from '../../testing/describe-check'

describeCheck('og-title-missing', {
  raises: {
    absent: { head: { 'og:title': null }, expect: { level: 'error', line: null } },
    empty: { head: { 'og:title': '<meta property="og:title" content="">' }, expect: { line: 10, column: 1 } },
    'without content': { head: { 'og:title': '<meta property="og:title">' } },
    'in a template': { head: { 'og:title': '<template><meta property="og:title" content="x"></template>' } },
  },
  passes: {
    'under name': { head: { 'og:title': '<meta name="og:title" content="x">' } },
    'in capitals': { head: { 'og:title': '<meta property=" OG:TITLE " content="x">' } },
    'an empty one before a full one': {
      head: { 'og:title': '<meta property="og:title" content=""><meta property="og:title" content="x">' },
    },
  },
})
