import { feedHolding, thumbnailRecompression } from '../habits'
import { documented, observed, type Surface } from '../profile'

const title = { sizePx: 14, weight: 600, widthPx: 260, lines: 2, basis: 'observed' } as const
const boxes = { title, description: null }

export const feedReply: Surface = {
  id: 'feed-reply',
  name: 'Feed reply',
  about: 'A link in a reply under a post: a small square picture and a title, nothing else.',
  token: 'facebookexternalhit',
  readsBytes: observed(1024 * 1024),
  repeats: observed('first'),
  title: { from: ['og:title', 'title', 'h1'], maxCharacters: null },
  // Resolved as in the wide feed, though the place gives it no room.
  description: { from: ['og:description', 'description', 'first-paragraph'], maxCharacters: null },
  picture: {
    from: ['og:image', 'content-image'],
    least: documented({ width: 200, height: 200 }),
    largeFrom: documented({ width: 600, height: 315 }),
    largeRatio: null,
    tallest: null,
    widest: null,
    thumbnailRatio: observed(1),
    maxBytes: documented(8_000_000),
    maxSide: null,
    refused: observed(['svg', 'tiff', 'bmp', 'ico']),
  },
  layoutBy: 'thumbnail',
  siteLine: 'host',
  favicon: false,
  labels: false,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: feedHolding,
  recompression: thumbnailRecompression,
  boxes: { thumbnail: boxes, text: boxes },
}
