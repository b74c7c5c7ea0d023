import { describeCheck } from '../../testing/describe-check'

/** The page with a link that shares another of the site, or itself. */
const sharing = (path: string) => ({
  head: {},
  body: `<h1>Ferns</h1><a href="https://share.example/?u=${encodeURIComponent(`https://site.example/${path}`)}">Share</a>`,
})

describeCheck('share-link-differs', {
  raises: {
    'the home page': {
      head: {},
      body: '<h1>Ferns</h1><a href="https://share.example/?u=https%3A%2F%2Fsite.example%2F">Share</a>',
    },
    'this page, where the requirements mean the home page': {
      ...sharing('about.html'),
      requirements: { sections: { '/*': { shareTo: '/' } } },
      expect: {
        message:
          'A share link shares https://site.example/about.html; links of this section are meant to share https://site.example/.',
      },
    },
    'another account': {
      head: { s: '<meta name="twitter:site" content="@garden">' },
      body: '<h1>Ferns</h1><a href="https://share.example/?url=https%3A%2F%2Fsite.example%2Fabout.html&via=other">Share</a>',
    },
  },
  passes: {
    'this page, where the requirements mean it with a mark of their own': {
      ...sharing('about.html?from=share'),
      requirements: { sections: { '/*': { shareTo: '{page}?from=share' } } },
    },
    'the home page, where the requirements mean it': {
      ...sharing(''),
      requirements: { sections: { '/*': { shareTo: 'https://site.example/' } } },
    },
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
