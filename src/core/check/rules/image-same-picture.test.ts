import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

/** A picture that looks like every other with the same number. */
function looking(like: number, bytes: number): Uint8Array {
  const png = pngBytes(1200, 630, bytes)
  png[44] = like
  return png
}

describeCheck('image-same-picture', {
  raises: {
    'one picture under two names': {
      files: { 'img/Ferns.png': pngBytes(1200, 630, 90_000), 'img/Mosses.png': pngBytes(1200, 630, 90_000) },
      expect: { level: 'note', pages: ['https://site.example/about.html', 'https://site.example/visit.html'] },
    },
    'one picture in two weights': {
      files: { 'img/Ferns.png': looking(7, 90_000), 'img/Mosses.png': looking(7, 60_000) },
      expect: {
        level: 'note',
        pages: ['https://site.example/about.html', 'https://site.example/visit.html'],
      },
    },
  },
  passes: {
    'another picture of the same size': { files: { 'img/Ferns.png': pngBytes(1200, 630, 90_000) } },
    'pictures of one weight that look different': {
      files: { 'img/Ferns.png': looking(7, 90_000), 'img/Mosses.png': looking(8, 60_000) },
    },
  },
})
