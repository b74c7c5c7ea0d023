import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const roses = '<meta property="og:title" content="Roses of the garden">'

describeCheck('title-duplicate', {
  raises: {
    'two pages': {
      head: { 'og:title': roses },
      expect: { level: 'warning', pages: ['https://site.example/about.html', 'https://site.example/'] },
    },
    'alike to the eye: a no-break space, a sign without width': {
      head: { 'og:title': '<meta property="og:title" content="Roses\u00A0of the gar\u200Bden">' },
    },
    'two pages of each of two languages': {
      files: Object.fromEntries(
        ['de/a.html', 'de/b.html', 'en/a.html', 'en/b.html'].map((path) => [path, goodPage(path, 'Oaks')]),
      ),
    },
  },
  passes: {
    'one page in two languages, as the folders say': {
      files: Object.fromEntries(
        ['pt-BR/a.html', 'zh-CN/a.html', 'en/a.html'].map((path) => [path, goodPage(path, 'Oaks')]),
      ),
    },
    'another case of letters': { head: { 'og:title': '<meta property="og:title" content="roses of the garden">' } },
    'one of them is kept out of search': {
      head: { 'og:title': roses, robots: '<meta name="robots" content="noindex">' },
    },
    'pages without any title': {
      files: {
        'a.html': goodPage('a.html', 'A', { title: null, 'og:title': null }, '<p>x</p>'),
        'b.html': goodPage('b.html', 'B', { title: null, 'og:title': null }, '<p>y</p>'),
      },
    },
  },
})
