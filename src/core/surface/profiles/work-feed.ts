import { feedHolding, feedRecompression } from '../habits'
import { assumed, documented, observed, type Surface } from '../profile'

const title = { sizePx: 16, weight: 600, widthPx: 500, lines: 2, basis: 'observed' } as const
const boxes = { title, description: null }

export const workFeed: Surface = {
  id: 'work-feed',
  name: 'Work network',
  about: 'A feed among colleagues. A picture a little too narrow turns the wide card into a stamp beside the title.',
  icon: [
    { as: 'picture', x: 1, y: 1, width: 38, height: 14, corner: 2.5 },
    { as: 'line', x: 4, y: 18, width: 31, height: 2.2 },
    { as: 'line', x: 4, y: 22.4, width: 22, height: 2.2 },
  ],
  token: 'LinkedInBot',
  readsBytes: null,
  repeats: observed('first'),
  title: { from: ['og:title', 'title'], maxCharacters: null },
  description: { from: ['og:description', 'description'], maxCharacters: null },
  picture: {
    from: ['og:image', 'content-image'],
    // No minimum is published for the thumbnail: whatever has a pixel is shown.
    least: assumed({ width: 1, height: 1 }),
    largeFrom: observed({ width: 401, height: 1 }),
    largeRatio: documented(1.91),
    tallest: null,
    widest: null,
    thumbnailRatio: assumed(1),
    maxBytes: documented(5_000_000),
    maxSide: null,
    refused: assumed(['svg', 'tiff', 'bmp', 'ico']),
    completesAddresses: observed(false),
  },
  layoutBy: 'picture',
  siteLine: 'host',
  favicon: false,
  labels: false,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: { ...feedHolding, days: observed(7) },
  recompression: feedRecompression,
  boxes: { wide: boxes, thumbnail: boxes, text: boxes },
}
