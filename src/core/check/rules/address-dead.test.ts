import { describeCheck } from '../../testing/describe-check'

const canonical = (href: string) => ({ head: { canonical: `<link rel="canonical" href="${href}">` } })

describeCheck('address-dead', {
  raises: {
    'a canonical that the build does not hold': {
      ...canonical('https://site.example/abuot.html'),
      expect: {
        level: 'error',
        line: 7,
        message: 'canonical: https://site.example/abuot.html is not in the build.',
      },
    },
    'an og:url that the build does not hold': {
      head: { 'og:url': '<meta property="og:url" content="https://site.example/guides/none">' },
    },
  },
  passes: {
    'the same file without its ending': canonical('https://site.example/about'),
    'another page of the build': canonical('https://site.example/visit.html'),
    'another site, which was not looked at': canonical('https://other.example/none'),
    'a file that is no page': canonical('https://site.example/about.pdf'),
  },
})
