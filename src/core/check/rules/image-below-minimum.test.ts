import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

const size = (width: number, height: number) => ({ files: { 'img/Ferns.png': pngBytes(width, height) } })

describeCheck('image-below-minimum', {
  raises: {
    '199 wide': {
      ...size(199, 400),
      expect: { level: 'error', line: 13, image: 'https://site.example/img/Ferns.png' },
    },
    '199 high': size(400, 199),
  },
  passes: { '200 × 200': size(200, 200), '201 × 200': size(201, 200) },
})
