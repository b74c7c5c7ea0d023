import { feedHolding, feedRecompression } from '../habits'
import { assumed, documented, observed, type Surface } from '../profile'

const title = { sizePx: 14, weight: 600, widthPx: 220, lines: 2, basis: 'observed' } as const
const boxes = { title, description: null }

export const pictureBoard: Surface = {
  id: 'picture-board',
  name: 'Picture board',
  about: 'A wall of pictures at their own ratio. Upright ones get more room; the text is a caption.',
  icon: [
    { as: 'picture', x: 11, y: 1, width: 18, height: 21, corner: 2 },
    { as: 'line', x: 11, y: 24, width: 14, height: 2 },
  ],
  token: 'Pinterestbot',
  readsBytes: null,
  repeats: observed('first'),
  title: { from: ['og:title', 'title'], maxCharacters: documented(100) },
  description: { from: ['og:description', 'description'], maxCharacters: documented(500) },
  picture: {
    from: ['og:image', 'content-image'],
    least: observed({ width: 100, height: 200 }),
    largeFrom: observed({ width: 100, height: 200 }),
    largeRatio: null,
    tallest: observed(2.1),
    widest: null,
    thumbnailRatio: assumed(1),
    maxBytes: documented(20_000_000),
    maxSide: null,
    refused: assumed(['svg', 'tiff', 'bmp', 'ico']),
    completesAddresses: assumed(true),
  },
  layoutBy: 'picture',
  siteLine: 'host',
  favicon: false,
  labels: false,
  themeColor: false,
  richKinds: true,
  isListing: false,
  holding: feedHolding,
  recompression: feedRecompression,
  boxes: { natural: boxes, thumbnail: boxes, text: boxes },
}
