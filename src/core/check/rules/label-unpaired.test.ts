import { describeCheck } from '../../testing/describe-check'

describeCheck('label-unpaired', {
  raises: {
    'a label alone': { head: { 'twitter:label1': '<meta name="twitter:label1" content="Time">' } },
    'data alone': { head: { 'twitter:data2': '<meta name="twitter:data2" content="2 hours">' } },
  },
  passes: {
    'a pair': {
      head: { a: '<meta name="twitter:label1" content="Time">', b: '<meta name="twitter:data1" content="2 hours">' },
    },
  },
})
