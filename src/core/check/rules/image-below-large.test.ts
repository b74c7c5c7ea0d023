import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

const size = (width: number, height: number) => ({ files: { 'img/Ferns.png': pngBytes(width, height) } })

describeCheck('image-below-large', {
  raises: {
    '599 wide': { ...size(599, 315), expect: { level: 'warning', line: 13 } },
    '314 high': size(600, 314),
    'just large enough to be shown at all': size(200, 200),
  },
  passes: { '600 × 315': size(600, 315), 'too small to be shown at all is another finding': size(199, 300) },
})
