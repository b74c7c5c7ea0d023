import { describeCheck } from '../../testing/describe-check'

describeCheck('og-description-missing', {
  raises: {
    absent: { head: { 'og:description': null }, expect: { level: 'warning', line: null } },
    empty: {
      head: { 'og:description': '<meta property="og:description" content="">' },
      expect: { line: 11, column: 1 },
    },
    'without content': { head: { 'og:description': '<meta property="og:description">' } },
    'in a template': {
      head: { 'og:description': '<template><meta property="og:description" content="x"></template>' },
    },
  },
  passes: {
    'under name': { head: { 'og:description': '<meta name="og:description" content="x">' } },
    'in capitals': { head: { 'og:description': '<meta property=" OG:DESCRIPTION " content="x">' } },
    'an empty one before a full one': {
      head: {
        'og:description': '<meta property="og:description" content=""><meta property="og:description" content="x">',
      },
    },
  },
})
