import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

const weight = (bytes: number) => ({ files: { 'img/Ferns.png': pngBytes(1200, 630, bytes) } })

describeCheck('image-heavy', {
  raises: {
    'a byte over 300 KB': { ...weight(300_001), expect: { level: 'warning', line: 13 } },
    'over 600 KB a phone chat drops it': {
      ...weight(600_001),
      expect: {
        message:
          'https://site.example/img/Ferns.png weighs 600 KB; the aim is 100 KB. Phone chat drops a picture over 600 KB.',
      },
    },
  },
  passes: { '300 KB': weight(300_000) },
})
