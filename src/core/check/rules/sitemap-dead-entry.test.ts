import { describeCheck } from '../../testing/describe-check'
import { sitemapOf } from '../../testing/sitemap-file'

const all = ['', 'about.html', 'visit.html']

describeCheck('sitemap-dead-entry', {
  raises: {
    'a page that the build doesn’t hold': {
      files: { 'sitemap.xml': sitemapOf(...all, 'gone.html') },
      expect: { level: 'warning', message: 'The sitemap lists https://site.example/gone.html, which is not there.' },
    },
  },
  passes: {
    'an index of a folder, by any of its forms': {
      files: { 'sitemap.xml': sitemapOf(...all, 'index.html', 'about', 'visit/') },
    },
    'a file that is no page, which can’t be judged here': {
      files: { 'sitemap.xml': sitemapOf(...all, 'leaflet.pdf') },
    },
    'a page of another site': { files: { 'sitemap.xml': sitemapOf(...all, 'https://other.example/gone') } },
  },
})
