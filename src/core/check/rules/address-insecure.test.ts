import { describeCheck } from '../../testing/describe-check'

describeCheck('address-insecure', {
  raises: {
    'og:url': { head: { 'og:url': '<meta property="og:url" content="http://site.example/about.html">' } },
    canonical: { head: { canonical: '<link rel="canonical" href="http://site.example/about.html">' } },
  },
  passes: {
    'an address of staging is another finding': {
      head: { 'og:url': '<meta property="og:url" content="http://localhost:3000/about.html">' },
    },
  },
})
