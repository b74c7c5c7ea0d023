import { describeCheck } from '../../testing/describe-check'

const twice = (first: string, second: string) =>
  `<meta property="og:title" content="${first}">\n<meta property="og:title" content="${second}">`

describeCheck('tag-repeated', {
  raises: {
    'two titles': { head: { 'og:title': twice('Ferns', 'Fern') }, expect: { level: 'warning', line: 11, column: 1 } },
    'two canonical links': { head: { x: '<link rel="canonical" href="https://site.example/">' }, expect: { line: 18 } },
    'two widths of one picture': {
      head: { x: '<meta property="og:image:width" content="600">' },
      expect: { line: 18 },
    },
    'under two attributes': {
      head: { x: '<meta property="description" content="Something else entirely, and at some length.">' },
    },
  },
  passes: {
    'the same twice': { head: { 'og:title': twice('Ferns', ' Ferns ') } },
    'the second one empty': { head: { 'og:title': twice('Ferns', '') } },
    'several pictures are a list': {
      head: { x: '<meta property="og:image" content="https://site.example/img/Roses.png">' },
    },
    'each picture has its width': {
      head: {
        x: '<meta property="og:image" content="https://site.example/img/Roses.png"><meta property="og:image:width" content="1200">',
      },
    },
    'several authors are a list': {
      head: { x: '<meta property="article:author" content="A"><meta property="article:author" content="B">' },
    },
  },
})
