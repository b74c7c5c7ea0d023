import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

describeCheck('og-type-unfit', {
  raises: {
    'a home page as article': {
      files: { 'index.html': goodPage('', 'Roses', { 'og:type': '<meta property="og:type" content="article">' }) },
      expect: { line: 8, message: 'The home page says that it is an article.' },
    },
    'a dated page as website': {
      head: { 'article:published_time': '<meta property="article:published_time" content="2026-11-02">' },
    },
    'a post in a folder of its month': {
      files: { '2026/11/ferns.html': goodPage('2026/11/ferns.html', 'Ferns') },
      expect: { fix: 'If it is one, write article on line 8, with article:published_time.' },
    },
    'a page whose JSON-LD describes an article': {
      head: { ld: '<script type="application/ld+json">{"@type":"Article","headline":"Ferns"}</script>' },
      expect: { message: 'The page describes an article, or gives its day, and says that it is a website.' },
    },
    'what the requirements say': {
      head: {},
      requirements: { sections: { '/about.html': { kind: 'product' } } },
      expect: { message: 'og:type says website; the requirements say that /about.html is product.' },
    },
  },
  passes: {
    'a monthly archive, which holds a date and is none': {
      files: {
        '2026/11/index.html': goodPage('2026/11/', 'Ferns'),
        '2026/11/page/2.html': goodPage('2026/11/page/2', 'Mosses'),
      },
    },
    'a dated article': {
      head: {
        'og:type': '<meta property="og:type" content="article">',
        'article:published_time': '<meta property="article:published_time" content="2026-11-02">',
      },
    },
    'the kind that is required': { head: {}, requirements: { sections: { '/about.html': { kind: 'website' } } } },
    'a page that is never shared': { head: {}, requirements: { sections: { '/about.html': { kind: 'not-shared' } } } },
  },
})
