import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

describeCheck('image-too-heavy', {
  raises: {
    'a byte over 5 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 5_000_001) } },
    'over 8 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 8_000_001) } },
  },
  passes: {
    '5 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 5_000_000) } },
    'over the 600 KB of the phone chat is another finding': {
      files: { 'img/Ferns.png': pngBytes(1200, 630, 700_000) },
    },
  },
})
