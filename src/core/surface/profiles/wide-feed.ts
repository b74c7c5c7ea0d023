import { feedHolding, feedRecompression } from '../habits'
import { documented, observed, type Surface } from '../profile'

const title = { sizePx: 16, weight: 600, widthPx: 476, lines: 2, basis: 'observed' } as const
/** The description has a line of its own only where the title leaves one. */
const description = { sizePx: 14, weight: 400, widthPx: 476, lines: 1, onlyIfTitleLines: 1, basis: 'observed' } as const

export const wideFeed: Surface = {
  id: 'wide-feed',
  name: 'Wide feed',
  about: 'A feed with a wide picture over the text. It reads most, and falls back furthest.',
  represents: 'kind',
  icon: [
    { as: 'picture', x: 1, y: 1, width: 38, height: 15, corner: 2.5 },
    { as: 'line', x: 4, y: 19, width: 28, height: 2.4 },
    { as: 'thin', x: 4, y: 23.4, width: 18, height: 1.6 },
  ],
  token: 'facebookexternalhit',
  readsBytes: observed(1024 * 1024),
  repeats: observed('first'),
  title: { from: ['og:title', 'title', 'h1'], maxCharacters: null },
  description: { from: ['og:description', 'description', 'first-paragraph'], maxCharacters: null },
  picture: {
    from: ['og:image', 'content-image'],
    least: documented({ width: 200, height: 200 }),
    largeFrom: documented({ width: 600, height: 315 }),
    largeRatio: documented(1.91),
    tallest: null,
    widest: null,
    thumbnailRatio: observed(1),
    maxBytes: documented(8_000_000),
    maxSide: null,
    refused: observed(['svg', 'tiff', 'bmp', 'ico']),
    completesAddresses: observed(false),
  },
  layoutBy: 'picture',
  siteLine: 'host',
  favicon: false,
  labels: false,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: feedHolding,
  recompression: feedRecompression,
  boxes: {
    wide: { title, description },
    thumbnail: { title, description },
    text: { title, description },
  },
}
