import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

describeCheck('image-damaged', {
  raises: {
    'no bytes at all': { files: { 'img/Ferns.png': new Uint8Array(0) }, expect: { level: 'error' } },
    'cut short': { files: { 'img/Ferns.png': pngBytes(1200, 630).slice(0, 20) } },
  },
  passes: {
    'a picture that is not there is another finding': {
      head: { 'og:image': '<meta property="og:image" content="https://site.example/img/none.png">' },
    },
  },
})
