import { describeCheck } from '../../testing/describe-check'

const roses = 'Roses: one sentence that says what this page is about, and why.'

describeCheck('description-duplicate', {
  raises: {
    'two pages': {
      head: { 'og:description': `<meta property="og:description" content="${roses}">` },
      expect: { level: 'warning', pages: ['https://site.example/about.html', 'https://site.example/'] },
    },
    'by the plain description where there is no other': {
      head: { 'og:description': null, description: `<meta name="description" content="${roses}">` },
    },
  },
  passes: {
    'the plain one is the same, the one for cards differs': {
      head: { description: `<meta name="description" content="${roses}">` },
    },
    'both pages say nothing': { head: { description: null, 'og:description': null } },
  },
})
