import type { Surface } from '../../surface'
import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'
import { surfaceOf } from '../../testing/places'

/** A place of somebody's own that takes next to nothing. */
const intranet = (more: object = {}): Surface => {
  const wide = surfaceOf('wide-feed')!
  const picture = { ...wide.picture!, maxBytes: { value: 10, basis: 'observed' as const }, ...more }
  return { ...wide, id: 'hall-intranet', name: 'Hall intranet', picture }
}
const light = { 'img/Ferns.png': pngBytes(1200, 630, 90_000) }

describeCheck('image-too-heavy', {
  raises: {
    'a byte over 5 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 5_000_001) } },
    'what a place of one’s own takes': {
      files: light,
      requirements: { ownSurfaces: [intranet()] },
      expect: {
        message: 'https://site.example/img/Ferns.png weighs 90 KB: Hall intranet (10 bytes) refuses it.',
      },
    },
    'over 8 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 8_000_001) } },
  },
  passes: {
    'what a place of one’s own only warns of': {
      files: light,
      requirements: { ownSurfaces: [intranet({ overweight: 'warning' })] },
    },
    '5 MB': { files: { 'img/Ferns.png': pngBytes(1200, 630, 5_000_000) } },
    'over the 600 KB of the phone chat is another finding': {
      files: { 'img/Ferns.png': pngBytes(1200, 630, 700_000) },
    },
  },
})
