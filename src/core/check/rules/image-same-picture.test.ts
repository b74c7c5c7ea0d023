import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

describeCheck('image-same-picture', {
  raises: {
    'one picture under two names': {
      files: { 'img/Ferns.png': pngBytes(1200, 630, 90_000), 'img/Mosses.png': pngBytes(1200, 630, 90_000) },
      expect: { level: 'note', pages: ['https://site.example/about.html', 'https://site.example/visit.html'] },
    },
  },
  passes: { 'another picture of the same size': { files: { 'img/Ferns.png': pngBytes(1200, 630, 90_000) } } },
})
