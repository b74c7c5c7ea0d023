import { describeCheck } from '../../testing/describe-check'

const image = (url: string) => ({ head: { 'og:image': `<meta property="og:image" content="${url}">` } })

describeCheck('image-relative', {
  raises: {
    'from the root': { ...image('/img/Ferns.png'), expect: { level: 'error', line: 13 } },
    'from the page': image('img/Ferns.png'),
    'without a scheme': image('//site.example/img/Ferns.png'),
    'in twitter:image': { head: { x: '<meta name="twitter:image" content="img/Ferns.png">' } },
  },
  passes: {
    whole: image(' https://site.example/img/Ferns.png '),
    'on http: that is another finding': image('http://site.example/img/Ferns.png'),
    empty: image(''),
  },
})
