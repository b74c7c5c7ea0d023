import { ogImages } from '../../surface'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'

export const imageSizeUndeclared = defineCheck({
  id: 'image-size-undeclared',
  label: 'size not declared',
  subject: 'picture',
  lacks: 'og:image:width',
  isOf: 'beside',
  family: 'image',
  level: 'note',
  scope: 'page',
  looksAt: 'og:image:width and og:image:height.',
  why: 'With the size declared, the first person to share sees the picture at once instead of none.',
  messages: {
    undeclared: {
      says: 'og:image has neither og:image:width nor og:image:height.',
      fix: 'Add both after line {line}.',
      anywhere: 'Add both beside it.',
      repair: [
        { do: 'setTag', tag: 'og:image:width' },
        { do: 'setTag', tag: 'og:image:height' },
      ],
    },
    half: {
      says: 'og:image has no {lacks}.',
      fix: 'Add {lacks} after line {line}.',
      anywhere: 'Add {lacks} beside it.',
      repair: [
        { do: 'setTag', tag: 'og:image:width' },
        { do: 'setTag', tag: 'og:image:height' },
      ],
    },
  },
  check({ facts }) {
    const first = ogImages(facts).find(({ forms }) => forms.some(({ value }) => !isBlank(value)))
    if (!first) return []
    const lacks = (['width', 'height'] as const).filter((side) => isBlank(first[side]?.value))
    const at = first.forms[0]!
    if (lacks.length === 0) return []
    const data = { line: at.line, lacks: `og:image:${lacks[0]}` }
    return [{ message: lacks.length === 2 ? 'undeclared' : 'half', at, data }]
  },
})
