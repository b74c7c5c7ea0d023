import { describeCheck } from '../../testing/describe-check'
import { goodPage, pngBytes } from '../../testing/good-site'

describeCheck('image-shape', {
  raises: {
    'a square one': { files: { 'img/Ferns.png': pngBytes(1200, 1200) } },
    'a very wide one': { files: { 'img/Ferns.png': pngBytes(3000, 600) } },
  },
  passes: {
    'nearly the shape': { files: { 'img/Ferns.png': pngBytes(1200, 675) } },
    'so small that most places drop it': { files: { 'img/Ferns.png': pngBytes(180, 180) } },
    'a square one that is only a stamp': {
      files: {
        'img/Ferns.png': pngBytes(250, 250),
        'about.html': goodPage('about.html', 'Ferns', {
          'twitter:card': '<meta name="twitter:card" content="summary">',
        }),
      },
    },
  },
})
