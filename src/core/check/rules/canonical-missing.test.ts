import { describeCheck } from '../../testing/describe-check'

describeCheck('canonical-missing', {
  raises: {
    none: { head: { canonical: null } },
    'an empty one': { head: { canonical: '<link rel="canonical" href="">' } },
  },
  passes: {
    'beside other relations': {
      head: { canonical: '<link rel="self canonical" href="https://site.example/about.html">' },
    },
  },
})
