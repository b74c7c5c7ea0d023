import { assumed, type Surface } from '../profile'

export const tab: Surface = {
  id: 'tab',
  name: 'Browser tab',
  about: 'The tab of a browser, a bookmark, a history: a title cut short, and the icon of the site.',
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
