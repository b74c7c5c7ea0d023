import { describeCheck } from '../../testing/describe-check'

describeCheck('description-placeholder', {
  raises: {
    'lorem ipsum': {
      head: {
        description: '<meta name="description" content="Lorem ipsum dolor sit amet, consectetur adipiscing elit">',
      },
    },
    'an unresolved value': {
      head: {
        'og:description':
          '<meta property="og:description" content="Read about {{ page.title }} in the garden today, and more">',
      },
    },
    'a starter': { head: { description: '<meta name="description" content="Description goes here">' } },
  },
  passes: {
    'a word of it in a sentence': {
      head: {
        description:
          '<meta name="description" content="A description of lorem ipsum, and where the text comes from, in brief">',
      },
    },
  },
})
