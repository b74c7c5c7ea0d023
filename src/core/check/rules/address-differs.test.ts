import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const canonical = (href: string) => ({ head: { canonical: `<link rel="canonical" href="${href}">` } })

describeCheck('address-differs', {
  raises: {
    'canonical names another page': { ...canonical('https://site.example/'), expect: { level: 'warning', line: 7 } },
    'og:url has another slash': {
      files: {
        'guide/index.html': goodPage('guide/', 'Oaks', {
          'og:image': null,
          'og:url': '<meta property="og:url" content="https://site.example/guide">',
        }),
      },
      expect: { level: 'warning' },
    },
    'both name the same other page: told once': {
      head: {
        canonical: '<link rel="canonical" href="https://site.example/">',
        'og:url': '<meta property="og:url" content="https://site.example/">',
      },
      expect: { message: 'canonical and og:url: https://site.example/. The page is https://site.example/about.html.' },
    },
  },
  passes: {
    'another scheme: that is another finding': canonical('http://site.example/about.html'),
    'a page that is not there: that is another finding': canonical('https://site.example/none.html'),
    'on this machine: that is another finding': canonical('http://localhost:3000/visit.html'),
    'written relatively: that is another finding': canonical('/about.html'),
    'with a fragment': canonical('https://site.example/about.html#top'),
    'neither is there': { head: { canonical: null, 'og:url': null } },
  },
})
