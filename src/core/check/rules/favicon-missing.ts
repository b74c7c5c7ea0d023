import { defineCheck, skipCheck } from '../define-check'

export const faviconMissing = defineCheck({
  id: 'favicon-missing',
  label: 'no favicon',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'site',
  looksAt: 'Icons that pages link, and /favicon.ico.',
  why: 'Tabs, bookmarks, search results and chats show an empty sheet instead.',
  messages: {
    absent: {
      says: 'No page links an icon, and there is no /favicon.ico.',
      fix: 'Add a favicon.ico at the root, or <link rel="icon"> to every page.',
      mend: { favicon: true },
    },
  },
  check({ readable, images, addresses }) {
    const isLinked = readable.some(({ facts }) =>
      facts.links.some(({ rel }) => /(?:^| )(?:icon|apple-touch-icon)(?: |$)/.test(rel)),
    )
    if (isLinked || readable.length === 0) return []
    const image = images.get(new URL('/favicon.ico', addresses.site).href)
    if (image?.errorCode === 'not-looked-at') return skipCheck('image-not-fetched')
    return image && image.errorCode === null ? [] : [{ message: 'absent', pages: readable.map(({ url }) => url) }]
  },
})
