import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

const declared = (width: string, height: string) => ({
  head: {
    'og:image:width': `<meta property="og:image:width" content="${width}">`,
    'og:image:height': `<meta property="og:image:height" content="${height}">`,
  },
})

describeCheck('image-size-mismatch', {
  raises: {
    'another width': { ...declared('1199', '630'), expect: { level: 'warning' } },
    'sides exchanged': declared('630', '1200'),
    'the file changed': { files: { 'img/Ferns.png': pngBytes(1200, 600) } },
    'with px': {
      ...declared('1200px', ' 630 '),
      expect: { message: 'og:image:width is “1200px”. It must be a number of pixels, without a unit.' },
    },
    'no number is no size': {
      ...declared('wide', '630'),
      expect: { message: 'og:image:width is “wide”, which is no number of pixels.' },
    },
  },
  passes: {
    'with space around it': declared('1200', ' 630 '),
    'sizes of another picture': {
      head: { 'twitter:image': '<meta name="twitter:image" content="https://site.example/img/Roses.png">' },
    },
  },
})
