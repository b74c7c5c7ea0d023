import { describeCheck } from '../../testing/describe-check'

const images = (count: number) =>
  Array.from({ length: count }, (_, index) => `<meta property="og:image" content="https://site.example/${index}.png">`)

describeCheck('image-many', {
  raises: {
    'twenty-one pictures': { head: { 'og:image': images(21).join('') } },
    'icons count as well': {
      head: {
        'og:image':
          images(15).join('') +
          '<link rel="icon" href="/a"><link rel="apple-touch-icon" href="/b">'.repeat(1) +
          Array.from({ length: 5 }, (_, index) => `<link rel="icon" href="/icon-${index}.png">`).join(''),
      },
    },
  },
  passes: {
    twenty: { head: { 'og:image': images(20).join('') } },
    'one picture, named again and again': {
      head: { 'og:image': '<meta property="og:image" content="https://site.example/a.png">'.repeat(60) },
    },
  },
})
