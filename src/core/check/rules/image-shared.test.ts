import { describeCheck } from '../../testing/describe-check'
import { goodPage } from '../../testing/good-site'

const roses = { 'og:image': '<meta property="og:image" content="https://site.example/img/Roses.png">' }
const pages = (shared: number, own: number) =>
  Object.fromEntries(
    [...Array(shared + own).keys()].map((index) => {
      const file = `p${index}.html`
      return [file, goodPage(file, `Page${index}`, index < shared ? roses : {})]
    }),
  )

describeCheck('image-shared', {
  raises: {
    // With the impeccable site's own three pages, of which one has the same picture.
    'half of the pages': {
      files: pages(3, 2),
      expect: { level: 'warning', image: 'https://site.example/img/Roses.png' },
    },
  },
  passes: {
    'just under half': { files: pages(3, 3) },
    'two pages are no habit': { head: roses },
  },
})
