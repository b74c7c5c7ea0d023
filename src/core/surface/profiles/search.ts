import { searchHolding } from '../habits'
import { observed, type Surface } from '../profile'

export const search: Surface = {
  id: 'search',
  name: 'Search result',
  about: 'A line in a list of results. What the tags say is a suggestion here; noindex keeps the page out.',
  token: 'Googlebot',
  readsBytes: null,
  repeats: observed('first'),
  title: { from: ['title', 'og:title', 'h1'], maxCharacters: null },
  description: { from: ['description', 'first-paragraph'], maxCharacters: null },
  picture: null,
  layoutBy: 'text',
  siteLine: 'name-and-path',
  favicon: true,
  labels: false,
  themeColor: false,
  richKinds: true,
  isListing: true,
  holding: searchHolding,
  recompression: null,
  boxes: {
    text: {
      title: { sizePx: 20, weight: 400, widthPx: 600, lines: 1, basis: 'observed' },
      description: { sizePx: 14, weight: 400, widthPx: 600, lines: 2, basis: 'observed' },
    },
    phone: {
      title: { sizePx: 18, weight: 400, widthPx: 340, lines: 2, basis: 'observed' },
      description: { sizePx: 14, weight: 400, widthPx: 340, lines: 3, basis: 'observed' },
    },
  },
}
