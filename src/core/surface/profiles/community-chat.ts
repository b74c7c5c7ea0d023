import { chatHolding, feedRecompression } from '../habits'
import { assumed, observed, type Surface } from '../profile'

const title = { sizePx: 16, weight: 600, widthPx: 400, lines: 2, basis: 'observed' } as const
/** Characters are counted here, not lines. */
const description = { sizePx: 14, weight: 400, widthPx: 400, lines: null, basis: 'observed' } as const
const boxes = { title, description }

export const communityChat: Surface = {
  id: 'community-chat',
  name: 'Community chat',
  about: 'A chat of many rooms. Small picture unless the page asks for the large card; the theme colour is shown.',
  icon: [
    { as: 'line', x: 4, y: 5, width: 19, height: 2.4 },
    { as: 'thin', x: 4, y: 10.5, width: 18, height: 1.5 },
    { as: 'thin', x: 4, y: 14, width: 19, height: 1.5 },
    { as: 'thin', x: 4, y: 17.5, width: 13, height: 1.5 },
    { as: 'picture', x: 27, y: 5, width: 9, height: 9, corner: 1.5 },
  ],
  token: 'Discordbot',
  readsBytes: null,
  repeats: observed('first'),
  title: { from: ['og:title', 'twitter:title', 'title'], maxCharacters: observed(256) },
  description: { from: ['og:description', 'twitter:description', 'description'], maxCharacters: observed(350) },
  picture: {
    from: ['og:image', 'twitter:image'],
    least: assumed({ width: 1, height: 1 }),
    largeFrom: assumed({ width: 1, height: 1 }),
    largeRatio: assumed(1.91),
    tallest: null,
    widest: null,
    thumbnailRatio: observed(1),
    maxBytes: assumed(8_000_000),
    maxSide: null,
    refused: assumed(['svg', 'tiff', 'bmp', 'ico']),
    completesAddresses: observed(false),
  },
  layoutBy: 'asked-large',
  siteLine: 'name',
  textFirst: true,
  favicon: false,
  labels: false,
  themeColor: true,
  richKinds: false,
  isListing: false,
  holding: chatHolding,
  recompression: feedRecompression,
  boxes: { wide: boxes, thumbnail: boxes, text: boxes },
}
