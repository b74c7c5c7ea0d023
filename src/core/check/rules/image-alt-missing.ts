import { metasOf } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

/** `hero-2.png`: nobody describes an image so. */
const FILE_NAME = /^[^\s]+\.(?:png|jpe?g|webp|gif|svg|avif)$/i

export const imageAltMissing = defineCheck({
  id: 'image-alt-missing',
  label: 'no alt text',
  subject: 'picture',
  alsoReads: ['picture-text'],
  lacks: 'og:image:alt',
  isOf: 'beside',
  family: 'image',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:image:alt and twitter:image:alt of pages with a picture.',
  why: 'People who can’t see the picture hear this text instead.',
  messages: {
    absent: {
      says: 'The share image has no alternative text.',
      fix: 'Add <meta property="og:image:alt" content="…"> after line {line}: what the picture shows.',
      anywhere: 'Add <meta property="og:image:alt" content="…"> beside it: what the picture shows.',
      repair: { do: 'setTag', tag: 'og:image:alt' },
    },
    fileName: {
      says: '{key} is a file’s name: “{seen}”.',
      fix: 'Say what the image shows; line {line}.',
      anywhere: 'Say what the image shows.',
      repair: { do: 'setTag', tag: '{key}' },
    },
  },
  check(page, { declaredImages }) {
    const first = declaredImages(page)[0]
    if (!first) return []
    const alts = ['og:image:alt', 'twitter:image:alt'].flatMap((key) => metasOf(page.facts, key))
    const named = alts.find((alt) => !isBlank(alt.value))
    if (named) {
      const seen = named.value!.trim()
      if (!FILE_NAME.test(seen)) return []
      return [{ message: 'fileName', at: named, image: first.url, data: { key: named.key, seen, line: named.line } }]
    }
    return [{ message: 'absent', at: first.tag, image: first.url, data: { line: first.tag.line } }]
  },
})
