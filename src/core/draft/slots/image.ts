import { firstValue } from '../../surface'
import { defineSlot } from './slot'

const FORMS = ['og:image:url', 'og:image:secure_url', 'og:image:type'] as const
const SIZE = ['og:image:width', 'og:image:height'] as const
const CARD_IMAGE = ['twitter:image', 'twitter:image:src', 'twitter:image:alt'] as const

/** The file that a URL names, without host and folders. */
const fileIn = (url: string) => url.split(/[?#]/, 1)[0]!.split('/').at(-1) || null

/** Do both name the very same file, under another host or path? */
const isSameFile = (url: string | null, now: string | null) =>
  url !== null && now !== null && fileIn(url) !== null && fileIn(url) === fileIn(now)

export const image = defineSlot({
  key: 'image',
  name: 'Image',
  writes: ['og:image'],
  clears: ['og:image:alt', 'twitter:image', 'twitter:image:alt'],
  brings: [...FORMS, ...SIZE],
  drops: ['twitter:image:src'],
  /** Declares what is known of the image; what was said of the old one goes, unless it is only its URL that changes. */
  edit(edits, url, { imageOf, facts }) {
    const known = url === null ? undefined : imageOf(url)
    edits.set('og:image', url)
    const isOnlyMoved = !known?.width && isSameFile(url, facts ? firstValue(facts, 'og:image') : null)
    for (const key of FORMS) if (!(isOnlyMoved && key === 'og:image:type')) edits.set(key, null)
    if (!isOnlyMoved) {
      const size = url !== null && known?.width && known.height ? known : null
      edits.set('og:image:width', size ? String(size.width) : null)
      edits.set('og:image:height', size ? String(size.height) : null)
      edits.set('og:image:alt', null)
    }
    for (const key of CARD_IMAGE) edits.set(key, null)
  },
})

export const imageOnMicroblog = defineSlot({
  key: 'image@microblog',
  name: 'Image on Microblog',
  writes: ['twitter:image'],
  clears: [],
  drops: ['twitter:image:src'],
  edit(edits, url) {
    edits.set('twitter:image', url)
    edits.set('twitter:image:src', null)
  },
})
