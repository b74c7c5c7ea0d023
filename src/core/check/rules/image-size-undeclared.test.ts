import { describeCheck } from '../../testing/describe-check'

describeCheck('image-size-undeclared', {
  raises: {
    neither: { head: { 'og:image:width': null, 'og:image:height': null }, expect: { level: 'note', line: 13 } },
    'no height': { head: { 'og:image:height': null } },
  },
  passes: {
    'a second picture without': {
      head: { x: '<meta property="og:image" content="https://site.example/img/Roses.png">' },
    },
    'no picture is another finding': { head: { 'og:image': null, 'og:image:width': null, 'og:image:height': null } },
  },
})
