import { describeCheck } from '../../testing/describe-check'

const image = (url: string) => ({ head: { 'og:image': `<meta property="og:image" content="${url}">` } })

describeCheck('image-relative', {
  raises: {
    'from the root': {
      ...image('/img/Ferns.png'),
      expect: {
        level: 'error',
        line: 13,
        message:
          'og:image is “/img/Ferns.png”, not a whole address: Wide feed, Feed reply, Microblog, Work network, Community chat, Phone chat can’t show it.',
      },
    },
    'from the page': image('img/Ferns.png'),
    'without a scheme': image('//site.example/img/Ferns.png'),
    'only places that complete it count: the protocol still asks for all of it': {
      ...image('/img/Ferns.png'),
      requirements: { surfaces: ['team-chat', 'search'] },
      expect: { level: 'note' },
    },
    'in twitter:image': { head: { x: '<meta name="twitter:image" content="img/Ferns.png">' } },
  },
  passes: {
    whole: image(' https://site.example/img/Ferns.png '),
    'on http: that is another finding': image('http://site.example/img/Ferns.png'),
    empty: image(''),
  },
})
