import { assumed, type Surface } from '../profile'

export const tab: Surface = {
  id: 'tab',
  name: 'Browser tab',
  about: 'The tab of a browser, a bookmark, a history: a title cut short, and the icon of the site.',
  icon: [
    { as: 'outline', x: 3, y: 9, width: 25, height: 10, corner: 2.5 },
    { as: 'picture', x: 6, y: 12, width: 4, height: 4, corner: 2 },
    { as: 'line', x: 12, y: 12.8, width: 13, height: 2.2 },
  ],
  token: null,
  readsBytes: null,
  repeats: assumed('first'),
  title: { from: ['title', 'address'], maxCharacters: null },
  description: { from: [], maxCharacters: null },
  picture: null,
  layoutBy: 'text',
  siteLine: 'none',
  favicon: true,
  labels: false,
  themeColor: false,
  richKinds: false,
  isListing: false,
  holding: null,
  recompression: null,
  boxes: { text: { title: { sizePx: 12, weight: 400, widthPx: 180, lines: 1, basis: 'assumed' }, description: null } },
}
