import { describeCheck } from '../../testing/describe-check'
import { GOOD_SITE, goodPage, pngBytes } from '../../testing/good-site'

const shared = { 'og:image': `<meta property="og:image" content="${GOOD_SITE}img/Roses.png">` }
const own = (src: string) => `<h1>Ferns</h1><p>A first paragraph that is long enough to be one.</p><img src="${src}">`
const site = (about: string, picture: Uint8Array, visit = '') => ({
  files: {
    'about.html': goodPage('about.html', 'Ferns', shared, own(about)),
    'visit.html': goodPage('visit.html', 'Mosses', shared, visit),
    'img/own.png': picture,
  },
})

describeCheck('image-own-unused', {
  raises: {
    'a picture of its own, large enough': {
      ...site('/img/own.png', pngBytes(600, 315)),
      expect: {
        level: 'note',
        message: `It shares the default picture, and has one of its own: ${GOOD_SITE}img/own.png, 600 × 315.`,
      },
    },
  },
  passes: {
    'a picture one pixel too small': site('/img/own.png', pngBytes(599, 315)),
    'a picture one line too low': site('/img/own.png', pngBytes(600, 314)),
    'the default picture itself': site('/img/Roses.png', pngBytes(600, 315)),
    'a page with a share picture of its own': {
      files: {
        'about.html': goodPage('about.html', 'Ferns', {}, own('/img/own.png')),
        'img/own.png': pngBytes(900, 600),
      },
    },
    'a banner that stands on every page': {
      files: {
        'index.html': goodPage('', 'Roses', {}, own('/img/own.png')),
        'about.html': goodPage('about.html', 'Ferns', shared, own('/img/own.png')),
        'visit.html': goodPage('visit.html', 'Mosses', shared, own('/img/own.png')),
        'img/own.png': pngBytes(900, 600),
      },
    },
  },
})
