import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'
import { sitemapOf } from '../../testing/sitemap-file'

const all = ['', 'about.html', 'visit.html']

describeCheck('sitemap-dead-entry', {
  raises: {
    'a page that the build doesn’t hold': {
      files: { 'sitemap.xml': sitemapOf(...all, 'gone.html') },
      expect: { level: 'error', message: 'The sitemap lists https://site.example/gone.html, which is not there.' },
    },
  },
  passes: {
    'one that a page links to as well: it is told there': {
      files: {
        'sitemap.xml': sitemapOf(...all, 'gone.html'),
        'about.html': goodPage('about.html', 'Ferns', {}, '<h1>Ferns</h1><a href="/gone.html">Gone</a>'),
      },
    },
    'an index of a folder, by any of its forms': {
      files: { 'sitemap.xml': sitemapOf(...all, 'index.html', 'about', 'visit/') },
    },
    'a file that is no page, which can’t be judged here': {
      files: { 'sitemap.xml': sitemapOf(...all, 'leaflet.pdf') },
    },
    'a page of another site': { files: { 'sitemap.xml': sitemapOf(...all, 'https://other.example/gone') } },
  },
})
