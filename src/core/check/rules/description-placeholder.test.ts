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
    'a documentation starter': {
      head: {
        'og:description': '<meta property="og:description" content="Description will go into a meta tag in <head />">',
      },
    },
    'an object in any other tag': {
      head: { 'og:image:alt': '<meta property="og:image:alt" content="[object Object]">' },
      expect: { message: 'og:image:alt says “[object Object]”, which the template was to fill in.' },
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
