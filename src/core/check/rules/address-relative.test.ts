import { describeCheck } from '../../testing/describe-check'

describeCheck('address-relative', {
  raises: {
    'a path': { head: { 'og:url': '<meta property="og:url" content="/about.html">' } },
    'without a scheme': { head: { canonical: '<link rel="canonical" href="//site.example/about.html">' } },
  },
  passes: {
    'http is another finding': {
      head: { 'og:url': '<meta property="og:url" content="http://site.example/about.html">' },
    },
  },
})
