import { describeCheck } from '../../testing/describe-check'

describeCheck('og-type-unknown', {
  raises: {
    'a word of its own': { head: { 'og:type': '<meta property="og:type" content="webpage">' } },
    'an obsolete one': {
      head: { 'og:type': '<meta property="og:type" content="blog">' },
      expect: { level: 'warning', line: 8 },
    },
  },
  passes: {
    'an article': { head: { 'og:type': '<meta property="og:type" content="article">' } },
    'upper case': { head: { 'og:type': '<meta property="og:type" content="Website">' } },
    'a type of one’s own': { head: { 'og:type': '<meta property="og:type" content="garden:fern">' } },
    'none is another finding': { head: { 'og:type': null } },
  },
})
