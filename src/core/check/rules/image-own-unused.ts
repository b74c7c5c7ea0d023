import { DEFAULT_FROM_PAGES, likelyContentImages, publicImageUrl } from '../../surface'
import type { CheckContext } from '../context'
import { sizedImage } from '../declared-images'
import { defaultPicture } from '../default-picture'
import { defineCheck } from '../define-check'
import { isAtLeast, MIN_LARGE } from '../sizes'

const uses = new WeakMap<CheckContext, Map<string, number>>()

/** On how many pages each picture stands in the content: a banner of all pages is no page's own. */
function contentUses(context: CheckContext): Map<string, number> {
  const found = uses.get(context)
  if (found) return found
  const made = new Map<string, number>()
  for (const page of context.readable) {
    const urls = page.facts.contentImages.flatMap(({ src }) => publicImageUrl(page, src, context) ?? [])
    for (const url of new Set(urls)) made.set(url, (made.get(url) ?? 0) + 1)
  }
  uses.set(context, made)
  return made
}

export const imageOwnUnused = defineCheck({
  id: 'image-own-unused',
  label: 'own picture unused',
  subject: 'picture',
  family: 'image',
  level: 'note',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Pictures in the content of pages that share the site’s default picture.',
  why: 'The link shows what all links show, while the page has a picture that would tell it apart.',
  messages: {
    unused: {
      says: 'It shares the default picture, and has one of its own: {url}, {width} × {height}.',
      fix: 'Name that one in og:image, or a refitted copy of it.',
      repair: { do: 'setTag', tag: 'og:image', to: '{url}' },
    },
  },
  check(page, context) {
    const [declared] = context.declaredImages(page)
    if (!declared || declared.url !== defaultPicture(context)) return []
    const counts = contentUses(context)
    for (const { src } of likelyContentImages(page.facts)) {
      const url = publicImageUrl(page, src, context)
      const image = url === null ? undefined : context.images.get(url)
      const size = image && sizedImage(image)
      if (!image || !size || image.url === declared.url || !isAtLeast(size, MIN_LARGE)) continue
      if ((counts.get(image.url) ?? 0) >= DEFAULT_FROM_PAGES) continue
      return [{ message: 'unused', at: declared.tag, data: { url: image.url, ...size } }]
    }
    return []
  },
})
