import { describeCheck } from '../../testing/describe-check'

const robots = (content: string, name = 'robots') => ({
  head: { robots: `<meta name="${name}" content="${content}">` },
})

describeCheck('page-noindex', {
  raises: {
    noindex: { ...robots('noindex, follow'), expect: { level: 'warning', line: 18 } },
    none: robots('NONE'),
    'for one crawler': robots('noindex', 'googlebot'),
  },
  passes: {
    'index, nofollow': robots('index, nofollow'),
    'for another crawler': robots('noindex', 'otherbot'),
    'a word that holds it': robots('noindexing'),
  },
})
