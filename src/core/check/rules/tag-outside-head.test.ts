import { describeCheck } from '../../testing/describe-check'

describeCheck('tag-outside-head', {
  raises: {
    'after an element that closes the head': {
      head: { charset: '<div></div>' },
      expect: { level: 'warning', line: 6 },
    },
    'in the body': { head: {}, body: '<h1>Ferns</h1><meta property="og:title" content="Ferns of the garden">' },
    'a canonical link in the body, which search does not read': {
      head: { canonical: null },
      body: '<h1>Ferns</h1><link rel="canonical" href="https://site.example/about.html">',
    },
  },
  passes: {
    'a style sheet in the body': { head: {}, body: '<h1>Ferns</h1><link rel="stylesheet" href="/a.css">' },
    'in a noscript of the head': { head: { x: '<noscript><meta name="author" content="Ada"></noscript>' } },
    'a tag that no place reads': { head: {}, body: '<h1>Ferns</h1><meta itemprop="x" name="my-own" content="1">' },
  },
})
