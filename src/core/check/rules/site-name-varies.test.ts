import { describeCheck } from '../../testing/describe-check'

describeCheck('site-name-varies', {
  raises: {
    'another name': {
      head: { 'og:site_name': '<meta property="og:site_name" content="Fine Site">' },
      expect: { pages: ['https://site.example/about.html'] },
    },
  },
  passes: {
    'none on one page': { head: { 'og:site_name': null } },
  },
})
