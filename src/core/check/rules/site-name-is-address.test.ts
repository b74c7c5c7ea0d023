import { describeCheck } from '../../testing/describe-check'

describeCheck('site-name-is-address', {
  raises: {
    'a URL': { head: { 'og:site_name': '<meta property="og:site_name" content="https://site.example">' } },
    'a host': { head: { 'og:site_name': '<meta property="og:site_name" content="site.example">' } },
  },
  passes: {
    'a name with a full stop': {
      head: { 'og:site_name': '<meta property="og:site_name" content="Good Site Ltd. of Hull">' },
    },
    'a name': { head: { 'og:site_name': '<meta property="og:site_name" content="Good Site">' } },
  },
})
