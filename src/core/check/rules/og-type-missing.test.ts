import { describeCheck } from '../../testing/describe-check'

describeCheck('og-type-missing', {
  raises: {
    absent: { head: { 'og:type': null }, expect: { level: 'warning', line: null } },
    empty: { head: { 'og:type': '<meta property="og:type" content="">' }, expect: { line: 8, column: 1 } },
    'without content': { head: { 'og:type': '<meta property="og:type">' } },
    'in a template': { head: { 'og:type': '<template><meta property="og:type" content="x"></template>' } },
  },
  passes: {
    'under name': { head: { 'og:type': '<meta name="og:type" content="x">' } },
    'in capitals': { head: { 'og:type': '<meta property=" OG:TYPE " content="x">' } },
    'an empty one before a full one': {
      head: { 'og:type': '<meta property="og:type" content=""><meta property="og:type" content="x">' },
    },
  },
})
