import { searchHolding } from '../habits'
import { observed, type Surface } from '../profile'

export const search: Surface = {
  id: 'search',
  name: 'Search result',
  about: 'A line in a list of results. What the tags say is a suggestion here; noindex keeps the page out.',
  represents: 'kind',
  icon: [
    { as: 'picture', x: 4, y: 4, width: 4, height: 4, corner: 2 },
    { as: 'thin', x: 10, y: 5, width: 14, height: 1.6 },
    { as: 'line', x: 4, y: 11, width: 27, height: 2.8 },
    { as: 'thin', x: 4, y: 17.5, width: 32, height: 1.6 },
    { as: 'thin', x: 4, y: 21.5, width: 25, height: 1.6 },
  ],
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
