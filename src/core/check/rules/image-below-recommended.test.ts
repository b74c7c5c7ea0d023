import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

describeCheck('image-below-recommended', {
  raises: {
    '1199 wide': { files: { 'img/Ferns.png': pngBytes(1199, 630) } },
    '629 high': { files: { 'img/Ferns.png': pngBytes(1200, 629) } },
    'just large': { files: { 'img/Ferns.png': pngBytes(600, 315) } },
  },
  passes: {
    '1200 × 630': { files: { 'img/Ferns.png': pngBytes(1200, 630) } },
    'too small for a large card is another finding': { files: { 'img/Ferns.png': pngBytes(599, 315) } },
  },
})
