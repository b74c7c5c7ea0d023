import { describeCheck } from '../../testing/describe-check'

describeCheck('keywords-long', {
  raises: {
    '21 words': { head: { keywords: '<meta name="keywords" content="w w w w w w w w w w w w w w w w w w w w w ">' } },
    '256 characters': {
      head: {
        keywords:
          '<meta name="keywords" content="kkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkk">',
      },
    },
  },
  passes: {
    '20 words': { head: { keywords: '<meta name="keywords" content="w w w w w w w w w w w w w w w w w w w w">' } },
    '255 characters': {
      head: {
        keywords:
          '<meta name="keywords" content="kkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkkk">',
      },
    },
  },
})
