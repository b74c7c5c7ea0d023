import { describeCheck } from '../../testing/describe-check'

describeCheck('share-link-differs', {
  raises: {
    'the home page': {
      head: {},
      body: '<h1>Ferns</h1><a href="https://share.example/?u=https%3A%2F%2Fsite.example%2F">Share</a>',
    },
    'another account': {
      head: { s: '<meta name="twitter:site" content="@garden">' },
      body: '<h1>Ferns</h1><a href="https://share.example/?url=https%3A%2F%2Fsite.example%2Fabout.html&via=other">Share</a>',
    },
  },
  passes: {
    'this page': {
      head: {},
      body: '<h1>Ferns</h1><a href="https://share.example/?u=https%3A%2F%2Fsite.example%2Fabout.html%3Futm_source%3Dx">Share</a>',
    },
    'a link to somebody else’s search': {
      head: {},
      body: '<h1>Ferns</h1><a href="https://find.example/?text=ferns">Find</a>',
    },
    'a link within the site': {
      head: {},
      body: '<h1>Ferns</h1><a href="https://site.example/?u=https%3A%2F%2Fsite.example%2F">Home</a>',
    },
  },
})
