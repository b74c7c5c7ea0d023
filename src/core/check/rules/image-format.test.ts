import { describeCheck } from '../../testing/describe-check'
import { goodPage, pngBytes } from '../../testing/good-site'

describeCheck('image-format', {
  raises: {
    'a drawing': {
      files: { 'img/Ferns.png': '<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="630"></svg>' },
      expect: { level: 'error' },
    },
  },
  passes: {
    'a PNG under another name': {
      files: {
        'img/Ferns.svg': pngBytes(1200, 630),
        'about.html': goodPage('about.html', 'Ferns', {
          'og:image': '<meta property="og:image" content="https://site.example/img/Ferns.svg">',
        }),
      },
    },
  },
})
