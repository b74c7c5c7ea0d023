import { publicImageUrl } from '../../surface'
import { addTo, plural } from '../../text'
import { defineCheck, skipCheck } from '../define-check'

export const faviconMissing = defineCheck({
  id: 'favicon-missing',
  label: 'no favicon',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'site',
  looksAt: 'Icons that pages link, whether they are there, and /favicon.ico.',
  why: 'Tabs, bookmarks, search results and chats show an empty sheet instead.',
  messages: {
    absent: {
      says: 'No page links an icon, and there is no /favicon.ico.',
      fix: 'Add a favicon.ico at the root, or <link rel="icon"> to every page.',
      repair: { do: 'addFavicon' },
    },
    dead: {
      says: 'The icon {key}, linked on {count}, is not there.',
      fix: 'Put the icon there, or correct the link.',
      repair: { do: 'askPerson', needs: 'the icon at that URL, or another link', where: 'site' },
    },
  },
  check({ readable, images, addresses }) {
    // Several icons, one of them not there: the link is wrong, whatever else is shown.
    const dead = new Map<string, string[]>()
    for (const page of readable) {
      for (const { rel, href } of page.facts.links) {
        if (!/(?:^| )icon(?: |$)/.test(rel)) continue
        const url = publicImageUrl(page, href, { addresses })
        const code = url === null ? null : images.get(url)?.errorCode
        if (url !== null && (code === 'not-in-build' || code === 'status')) addTo(dead, url, page.url)
      }
    }
    if (dead.size > 0) {
      return [...dead].map(([url, urls]) => {
        const pages = [...new Set(urls)]
        return { message: 'dead', pages, data: { key: url, count: plural(pages.length, 'page') } }
      })
    }
    const isLinked = readable.some(({ facts }) =>
      facts.links.some(({ rel }) => /(?:^| )(?:icon|apple-touch-icon)(?: |$)/.test(rel)),
    )
    if (isLinked || readable.length === 0) return []
    const image = images.get(new URL('/favicon.ico', addresses.site).href)
    if (image?.errorCode === 'not-looked-at') return skipCheck('image-not-fetched')
    return image && image.errorCode === null ? [] : [{ message: 'absent', pages: readable.map(({ url }) => url) }]
  },
})
