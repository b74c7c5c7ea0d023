import { chatHolding, phoneRecompression } from '../habits'
import { assumed, documented, observed, type Surface } from '../profile'

const title = { sizePx: 15, weight: 600, widthPx: 250, lines: 2, basis: 'observed' } as const
const twoLines = { sizePx: 13, weight: 400, widthPx: 250, lines: 2, basis: 'observed' } as const

export const phoneChat: Surface = {
  id: 'phone-chat',
  name: 'Phone chat',
  about: 'A chat on a phone. It drops heavy pictures without a word, and reads only the start of a page.',
  represents: 'kind',
  icon: [
    { as: 'picture', x: 7, y: 2, width: 26, height: 12, corner: 2 },
    { as: 'line', x: 7, y: 17, width: 22, height: 2.2 },
    { as: 'thin', x: 7, y: 21.5, width: 24, height: 1.5 },
  ],
  token: 'WhatsApp',
  readsBytes: documented(300 * 1024),
  repeats: observed('first'),
  title: { from: ['og:title', 'title'], maxCharacters: null },
  description: { from: ['og:description', 'description'], maxCharacters: null },
  picture: {
    from: ['og:image'],
    least: assumed({ width: 1, height: 1 }),
    largeFrom: documented({ width: 300, height: 1 }),
    largeRatio: observed(1.91),
    tallest: null,
    widest: documented(4),
    thumbnailRatio: observed(1),
    maxBytes: documented(600_000),
    overweight: 'warning',
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
  holding: chatHolding,
  recompression: phoneRecompression,
  boxes: {
    wide: { title, description: { ...twoLines, lines: 1 } },
    thumbnail: { title, description: twoLines },
    text: { title, description: twoLines },
  },
}
