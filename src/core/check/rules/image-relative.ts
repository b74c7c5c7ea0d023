import { type ImageSource, isWholeAddress, metasOf, publicImageUrl } from '../../surface'
import { isBlank, trimAscii } from '../../text'
import { defineCheck } from '../define-check'
import { isStrayPicture } from '../stray-address'

const KEYS = ['og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image', 'twitter:image:src']

/** What profiles call the source that a tag belongs to. */
const sourceOf = (key: string): ImageSource =>
  key === 'twitter:image' || key === 'twitter:image:src' ? key : 'og:image'

export const imageRelative = defineCheck({
  id: 'image-relative',
  label: 'relative picture',
  subject: 'picture',
  isOf: 'form',
  family: 'image',
  level: 'error',
  scope: 'page',
  looksAt: 'The addresses in og:image and twitter:image, and which places complete one that is not whole.',
  why: 'The protocol asks for whole addresses. A place that does not complete a relative one shows no such picture.',
  messages: {
    relative: {
      says: '{key} is “{seen}”, not a whole address: {places} can’t show it.',
      fix: 'Write {whole} on line {line}.',
      anywhere: 'Write {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    completed: {
      says: '{key} is “{seen}”, not a whole address. The places that count here complete it; the protocol asks for all of it.',
      fix: 'Write {whole} on line {line}.',
      anywhere: 'Write {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
  },
  check(page, context) {
    const { addresses, images, surfaces } = context
    return KEYS.flatMap((key) => metasOf(page.facts, key)).flatMap((tag) => {
      const seen = trimAscii(tag.value ?? '')
      if (isBlank(seen) || isWholeAddress(seen)) return []
      // An inline image, or a URL that can't be meant, is told by a check of its own.
      if (/^data:/i.test(seen)) return []
      const named = publicImageUrl(page, seen, { addresses }) ?? addresses.site
      if (isStrayPicture(seen, named, page, context)) return []
      // Where the site lives under a path, an address from the root may lack it: the build knows.
      const whole = images.get(named)?.foundAt ?? named
      const without = surfaces.filter(
        ({ picture }) => picture?.from.includes(sourceOf(tag.key)) && !picture.completesAddresses.value,
      )
      const places = without.map(({ name }) => name).join(', ')
      const data = { key: tag.key, seen, whole, line: tag.line, places }
      return without.length > 0
        ? [{ message: 'relative', at: tag, data }]
        : [{ message: 'completed', at: tag, data, level: 'note' as const }]
    })
  },
})
