import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

describeCheck('image-not-image', {
  raises: {
    'an error page': {
      files: { 'img/Ferns.png': '<!doctype html><title>404</title>' },
      expect: { level: 'error', line: 13 },
    },
    'a text': { files: { 'img/Ferns.png': 'not a picture' } },
  },
  passes: {
    'a picture under another name': {
      files: { 'img/Ferns.png': new Uint8Array([0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 2, 118, 4, 176, 1, 1, 17, 0]) },
    },
    'a picture cut short is damaged, not none': { files: { 'img/Ferns.png': pngBytes(1200, 630).subarray(0, 20) } },
  },
})
