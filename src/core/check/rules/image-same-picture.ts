import { addTo } from '../../text'
import { defineCheck, skipCheck } from '../define-check'

export const imageSamePicture = defineCheck({
  id: 'image-same-picture',
  label: 'same picture twice',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'site',
  looksAt: 'The bytes of all share images, and what they look like in small.',
  why: 'One picture under several addresses is fetched and held several times, and changes at one place only.',
  messages: {
    same: {
      says: '{count} addresses hold the same picture: {urls}.',
      fix: 'Name one address on all pages.',
      repair: { do: 'askPerson', needs: 'one address for the picture on all pages' },
    },
    alike: {
      says: '{count} pictures look the same, resized, recompressed or cut: {urls}.',
      fix: 'Keep the largest of them, and name its address on all pages.',
      repair: { do: 'askPerson', needs: 'one address for the picture on all pages' },
    },
  },
  check(context) {
    const read = [...context.images.values()].filter(({ iconOnly, errorCode }) => !iconOnly && errorCode === null)
    if (read.length > 1 && read.every(({ hash }) => hash === null)) return skipCheck('picture-not-read-whole')
    const byHash = new Map<string, string[]>()
    for (const image of context.images.values()) {
      if (image.hash === null || image.iconOnly || image.errorCode !== null) continue
      addTo(byHash, image.hash, image.url)
    }
    const pagesOf = (urls: string[]) =>
      context.readable
        .filter((page) => context.declaredImages(page).some(({ url }) => urls.includes(url)))
        .map(({ url }) => url)
    const raised = (message: 'same' | 'alike') => (urls: string[]) => {
      const pages = urls.length > 1 ? pagesOf(urls) : []
      return pages.length === 0
        ? []
        : [{ message, pages, data: { count: urls.length, urls: urls.slice(0, 3).join(', ') } }]
    }
    // A page that offers one picture in two sizes offers one picture: only what different pages share counts.
    const alike = context.alikePictures().filter((urls) => pagesOf(urls).length > 1)
    return [...[...byHash.values()].flatMap(raised('same')), ...alike.flatMap(raised('alike'))]
  },
})
