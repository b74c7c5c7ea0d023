import { describeCheck } from '../../testing/describe-check'

describeCheck('og-image-missing', {
  raises: {
    absent: { head: { 'og:image': null }, expect: { level: 'error', line: null } },
    empty: { head: { 'og:image': '<meta property="og:image" content="">' }, expect: { line: 13 } },
  },
  passes: {
    'even when the picture is not there': {
      head: { 'og:image': '<meta property="og:image" content="https://site.example/none.png">' },
    },
  },
})
