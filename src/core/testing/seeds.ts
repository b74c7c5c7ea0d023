import { escapeText } from '../text'
import { CLEAN_SITE, type CleanPage, type CleanSite, canonicalTag, metaTag, titleTag } from './clean-site'

// What changes one thing of the clean site: in one page's head or body, or in that of every page that is chosen.

export const GUIDE = 'guides/trim-a-wick/'
export const NEWS = 'news/night-market/'

export const page = (site: CleanSite, path: string): CleanPage => {
  const found = site.pages.get(path)
  if (!found) throw new Error(`The clean site has no page ${path}`)
  return found
}

export const all = (site: CleanSite) => [...site.pages.values()]

/** Puts tags into one page's head; null takes one out. */
export const put =
  (path: string, tags: Record<string, string | null>) =>
  (site: CleanSite): void => {
    const { head } = page(site, path)
    for (const [key, html] of Object.entries(tags)) {
      if (html === null) head.delete(key)
      else head.set(key, html)
    }
  }

/** Puts tags into the head of every page that is chosen. */
export const putAll =
  (tags: (one: CleanPage) => Record<string, string | null>, isChosen: (one: CleanPage) => boolean = () => true) =>
  (site: CleanSite): void => {
    for (const one of all(site).filter(isChosen)) put(one.path, tags(one))(site)
  }

export const isGuide = ({ path }: CleanPage) => path.startsWith('guides/')
export const isArticle = ({ path }: CleanPage) => path.startsWith('news/') && path !== 'news/'

/** Puts what is said of every page's address and image on another origin. */
export const onOrigin = (origin: string) => (one: CleanPage) => ({
  canonical: canonicalTag(one.url.replace(CLEAN_SITE, origin)),
  'og:url': metaTag('og:url', one.url.replace(CLEAN_SITE, origin)),
  'og:image': one.head.get('og:image')!.replace(CLEAN_SITE, origin),
})

export const imageTag = (one: CleanPage, change: (url: string) => string) => ({
  'og:image': metaTag('og:image', change(/content="([^"]*)"/.exec(one.head.get('og:image')!)![1]!)),
})

export const withBody = (path: string, change: (body: string) => string) => (site: CleanSite) => {
  const one = page(site, path)
  one.body = change(one.body)
}

export const nameAt = (path: string, name: string) => (site: CleanSite) => {
  const one = page(site, path)
  put(path, {
    title: titleTag(`${name} – Quay Lanterns`),
    'og:title': metaTag('og:title', name),
    'og:image:alt': metaTag('og:image:alt', `Drawing: ${name}`),
  })(site)
  one.body = one.body.replace(/<h1>.*<\/h1>/, `<h1>${escapeText(name)}</h1>`)
}
