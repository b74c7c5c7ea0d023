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
    'a tool’s own name': { head: { description: '<meta name="description" content="Created with Vite">' } },
    'a starter': { head: { description: '<meta name="description" content="Description goes here">' } },
  },
  passes: {
    'what something is made with': {
      head: { description: '<meta name="description" content="Created with the method `splitn`.">' },
    },
    'bytes of a URL in another tag': {
      head: { 'og:image:alt': '<meta property="og:see_also" content="https://a.example/%C3%A4%C3%B6">' },
    },
    'a word of a starter in a sentence': {
      head: { description: '<meta name="description" content="Document: how a lamp is rewired, from A to Z">' },
    },
    'a word of it in a sentence': {
      head: {
        description:
          '<meta name="description" content="A description of lorem ipsum, and where the text comes from, in brief">',
      },
    },
  },
})
