import { describeCheck } from '../../testing/describe-check'

describeCheck('address-staging', {
  raises: {
    'og:url on localhost': {
      head: { 'og:url': '<meta property="og:url" content="http://localhost:3000/about.html">' },
      expect: { level: 'error', line: 12 },
    },
    'a picture on a private address': {
      head: { 'og:image': '<meta property="og:image" content="http://192.168.0.7/img/Ferns.png">' },
    },
    'canonical on loopback': { head: { canonical: '<link rel="canonical" href="http://127.0.0.1/about.html">' } },
  },
  passes: {
    'another public host is another finding': {
      head: { 'og:image': '<meta property="og:image" content="https://pictures.example/a.png">' },
    },
    'a relative address': { head: { 'og:url': '<meta property="og:url" content="/about.html">' } },
  },
})
