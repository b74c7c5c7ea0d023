import { metasOf } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

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
      mend: { say: 'og:image:alt' },
    },
  },
  check(page, { declaredImages }) {
    const first = declaredImages(page)[0]
    if (!first) return []
    const alts = ['og:image:alt', 'twitter:image:alt'].flatMap((key) => metasOf(page.facts, key))
    if (alts.some((alt) => !isBlank(alt.value))) return []
    return [{ message: 'absent', at: first.tag, image: first.url, data: { line: first.tag.line } }]
  },
})
