import { feedHolding, feedRecompression } from '../habits'
import { documented, observed, type Surface } from '../profile'

const smallTitle = { sizePx: 15, weight: 400, widthPx: 350, lines: 1, basis: 'observed' } as const
const smallDescription = { sizePx: 15, weight: 400, widthPx: 350, lines: 2, basis: 'observed' } as const

export const microblog: Surface = {
  id: 'microblog',
  name: 'Microblog',
  about: 'Short posts. The page itself asks for a small or a large card; without being asked it shows little.',
  represents: 'habit',
  icon: [
    { as: 'picture', x: 1, y: 1, width: 38, height: 18, corner: 2.5 },
    { as: 'line', x: 4, y: 22, width: 22, height: 2.4 },
  ],
  token: 'Twitterbot',
  readsBytes: null,
  repeats: observed('first'),
  title: { from: ['twitter:title', 'og:title', 'title'], maxCharacters: documented(70) },
  description: { from: ['twitter:description', 'og:description', 'description'], maxCharacters: documented(200) },
  picture: {
    from: ['twitter:image', 'twitter:image:src', 'og:image'],
    least: documented({ width: 144, height: 144 }),
    largeFrom: documented({ width: 300, height: 157 }),
    largeRatio: documented(1.91),
    tallest: null,
    widest: null,
    thumbnailRatio: documented(1),
    maxBytes: documented(5_000_000),
    maxSide: documented(4096),
    refused: documented(['svg', 'tiff', 'bmp', 'ico', 'avif']),
    completesAddresses: observed(false),
  },
  layoutBy: 'card-kind',
  siteLine: 'host',
  favicon: false,
  labels: false,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: { ...feedHolding, days: observed(7) },
  recompression: feedRecompression,
  boxes: {
    wide: {
      title: { sizePx: 15, weight: 400, widthPx: 480, lines: 1, basis: 'observed' },
      description: null,
    },
    thumbnail: { title: smallTitle, description: smallDescription },
    text: { title: smallTitle, description: smallDescription },
  },
}
