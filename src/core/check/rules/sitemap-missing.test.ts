import { describeCheck } from '../../testing/describe-check'
import { sitemapOf } from '../../testing/sitemap-file'

describeCheck('sitemap-missing', {
  raises: {
    'robots.txt names one that is not there, and nothing else': {
      files: { 'robots.txt': 'Sitemap: https://site.example/map.xml\n' },
      expect: { level: 'note', message: 'There is no sitemap.' },
    },
    'robots.txt names one on this machine': {
      files: {
        'robots.txt': 'Sitemap: http://localhost:3000/sitemap.xml\n',
        'sitemap.xml': sitemapOf('', 'about.html', 'visit.html'),
      },
      expect: {
        message: 'robots.txt names the sitemap http://localhost:3000/sitemap.xml, which is not on the site.',
        fix: 'Name https://site.example/sitemap.xml in robots.txt.',
      },
    },
    'one of two can’t be read': {
      files: {
        'robots.txt': 'Sitemap: https://site.example/sitemap.xml\nSitemap: https://site.example/gone.xml\n',
      },
      expect: { message: 'The sitemap https://site.example/gone.xml can’t be read: It answered 404.' },
    },
  },
  passes: {
    'one on a host of its own': { files: { 'robots.txt': 'Sitemap: https://maps.example/site.xml\n' } },
    'one under another name, which robots.txt says': {
      files: {
        'robots.txt': 'Sitemap: https://site.example/map.xml\n',
        'map.xml': sitemapOf('', 'about.html', 'visit.html'),
      },
    },
    'an index of sitemaps': {
      files: {
        'sitemap.xml': '<sitemapindex><sitemap><loc>https://site.example/pages.xml</loc></sitemap></sitemapindex>',
        'pages.xml': sitemapOf('', 'about.html', 'visit.html'),
      },
    },
  },
})
