import { describeCheck } from '../../testing/describe-check'

describeCheck('rich-fields-missing', {
  raises: {
    'an article without author and date': { head: { 'og:type': '<meta property="og:type" content="article">' } },
    'a product without a price': {
      head: { j: '<script type="application/ld+json">{"@type":"Product","name":"Fern"}</script>' },
    },
  },
  passes: {
    'a whole article': {
      head: {
        'og:type':
          '<meta property="og:type" content="article"><meta property="article:author" content="Ada"><meta property="article:published_time" content="2026-11-01">',
      },
    },
    'an author in the tag of HTML': {
      head: {
        'og:type':
          '<meta property="og:type" content="article"><meta name="author" content="Ada"><meta property="article:published_time" content="2026-11-01">',
      },
    },
    'a film needs a director or a year': {
      head: { j: '<script type="application/ld+json">{"@type":"Movie","name":"Ferns","dateCreated":"2020"}</script>' },
    },
  },
})
