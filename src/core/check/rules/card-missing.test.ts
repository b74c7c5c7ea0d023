import { describeCheck } from '../../testing/describe-check'

describeCheck('card-missing', {
  raises: {
    absent: { head: { 'twitter:card': null }, expect: { level: 'warning' } },
    empty: { head: { 'twitter:card': '<meta name="twitter:card" content="">' }, expect: { line: 17 } },
  },
  passes: {
    'under property': { head: { 'twitter:card': '<meta property="twitter:card" content="summary">' } },
    'a kind that is not known is another finding': {
      head: { 'twitter:card': '<meta name="twitter:card" content="big">' },
    },
  },
})
