import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'
import { sitemapOf } from '../../testing/sitemap-file'

const without = { 'sitemap.xml': sitemapOf('', 'visit.html') }

describeCheck('sitemap-lacks-page', {
  raises: {
    'a page that it leaves out': {
      files: without,
      expect: { level: 'note', message: 'The sitemap leaves out https://site.example/about.html.' },
    },
    'two of them': {
      files: { 'sitemap.xml': sitemapOf('') },
      expect: { pages: ['https://site.example/about.html', 'https://site.example/visit.html'] },
    },
  },
  passes: {
    'the page under its other name': { files: { 'sitemap.xml': sitemapOf('', 'about', 'visit/') } },
    'a page kept out of search': {
      files: {
        ...without,
        'about.html': goodPage('about.html', 'Ferns', { robots: '<meta name="robots" content="noindex">' }),
      },
    },
    'a page that robots.txt keeps crawlers from': {
      files: { ...without, 'robots.txt': 'User-agent: *\nDisallow: /about\n' },
    },
    'a page that is another’s copy': {
      files: {
        ...without,
        'about.html': goodPage('about.html', 'Ferns', {
          canonical: '<link rel="canonical" href="https://site.example/visit.html">',
        }),
      },
    },
  },
})
