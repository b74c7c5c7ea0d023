import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const alternate = (language: string, path: string) =>
  `<link rel="alternate" hreflang="${language}" href="https://site.example/${path}">`
const pair = (there: string, back: string) => ({
  files: {
    'about.html': goodPage('about.html', 'Ferns', { more: there }),
    'fr/about.html': goodPage('fr/about.html', 'Fougères', {
      more: back,
      'og:image': '<meta property="og:image" content="https://site.example/img/Ferns.png">',
    }),
  },
})

describeCheck('alternate-broken', {
  raises: {
    'a version that is not there': {
      ...pair(alternate('fr', 'fr/abuot.html'), ''),
      expect: { message: 'The fr version, https://site.example/fr/abuot.html, is not there.' },
    },
    'a version that does not link back': { ...pair(alternate('fr', 'fr/about.html'), ''), expect: { line: 18 } },
    'a version that links back to another page': pair(alternate('fr', 'fr/about.html'), alternate('en', 'visit.html')),
  },
  passes: {
    'there and back': pair(alternate('fr', 'fr/about.html'), alternate('en', 'about.html')),
    'a link to itself': pair(alternate('en', 'about.html'), ''),
    'a version on another site': { head: { more: '<link rel="alternate" hreflang="fr" href="https://fr.example/">' } },
    'a feed': { head: { more: '<link rel="alternate" type="application/rss+xml" href="/feed.xml">' } },
  },
})
