import { chatHolding, thumbnailRecompression } from '../habits'
import { assumed, documented, observed, type Surface } from '../profile'

const title = { sizePx: 15, weight: 700, widthPx: 500, lines: 2, basis: 'observed' } as const
const description = { sizePx: 15, weight: 400, widthPx: 500, lines: 5, basis: 'observed' } as const
const boxes = { title, description }

export const teamChat: Surface = {
  id: 'team-chat',
  name: 'Team chat',
  about: 'A chat at work. It reads only the start of a page, shows labels, and the picture at its own ratio.',
  icon: [
    { as: 'line', x: 4, y: 3.5, width: 26, height: 2.2 },
    { as: 'thin', x: 4, y: 8, width: 32, height: 1.5 },
    { as: 'thin', x: 4, y: 11, width: 28, height: 1.5 },
    { as: 'picture', x: 4, y: 15, width: 19, height: 10, corner: 1.5 },
  ],
  token: 'Slackbot-LinkExpanding',
  readsBytes: documented(32 * 1024),
  repeats: observed('first'),
  title: { from: ['og:title', 'twitter:title', 'title'], maxCharacters: null },
  description: { from: ['og:description', 'twitter:description', 'description'], maxCharacters: null },
  picture: {
    from: ['og:image', 'twitter:image'],
    least: assumed({ width: 1, height: 1 }),
    largeFrom: assumed({ width: 1, height: 1 }),
    // At most 360 px wide, at its own ratio.
    largeRatio: null,
    tallest: null,
    widest: null,
    thumbnailRatio: observed(1),
    maxBytes: null,
    maxSide: null,
    refused: assumed(['svg', 'tiff', 'bmp', 'ico']),
    completesAddresses: assumed(true),
  },
  layoutBy: 'asked-small',
  siteLine: 'name',
  textFirst: true,
  favicon: true,
  labels: true,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: chatHolding,
  recompression: thumbnailRecompression,
  boxes: { natural: boxes, thumbnail: boxes, text: boxes },
}
