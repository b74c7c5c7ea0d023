import { describeCheck } from '../../testing/describe-check'

const canonical = (href: string) => ({ head: { canonical: `<link rel="canonical" href="${href}">` } })

describeCheck('address-differs', {
  raises: {
    'canonical names another page': { ...canonical('https://site.example/'), expect: { level: 'warning', line: 7 } },
    'og:url has another slash': {
      head: { 'og:url': '<meta property="og:url" content="https://site.example/about.html/">' },
      expect: { line: 12 },
    },
    'another scheme': canonical('http://site.example/about.html'),
  },
  passes: {
    'written relatively: that is another finding': canonical('/about.html'),
    'with a fragment': canonical('https://site.example/about.html#top'),
    'neither is there': { head: { canonical: null, 'og:url': null } },
  },
})
