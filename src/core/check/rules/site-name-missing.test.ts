import { describeCheck } from '../../testing/describe-check'

describeCheck('site-name-missing', {
  raises: {
    none: { head: { 'og:site_name': null } },
    'an empty one': { head: { 'og:site_name': '<meta property="og:site_name" content="">' } },
  },
  passes: {
    'under name': { head: { 'og:site_name': '<meta name="og:site_name" content="Good Site">' } },
  },
})
