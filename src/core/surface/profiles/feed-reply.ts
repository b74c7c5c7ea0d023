import { thumbnailRecompression } from '../habits'
import { observed, type Surface } from '../profile'
import { wideFeed } from './wide-feed'

const title = { sizePx: 14, weight: 600, widthPx: 260, lines: 2, basis: 'observed' } as const
const boxes = { title, description: null }

/** The same crawler with the same rules as the wide feed, in another box: only what differs stands here. */
export const feedReply: Surface = {
  ...wideFeed,
  id: 'feed-reply',
  name: 'Feed reply',
  about: 'A link in a reply under a post: a small square picture and a title, nothing else.',
  represents: undefined,
  icon: [
    { as: 'picture', x: 3, y: 8, width: 12, height: 12, corner: 1.5 },
    { as: 'line', x: 18, y: 10, width: 18, height: 2.4 },
    { as: 'thin', x: 18, y: 15.5, width: 12, height: 1.6 },
  ],
  picture: { ...wideFeed.picture!, overweight: 'elsewhere', largeRatio: null, thumbnailRatio: observed(1) },
  layoutBy: 'thumbnail',
  recompression: thumbnailRecompression,
  boxes: { thumbnail: boxes, text: boxes },
}
