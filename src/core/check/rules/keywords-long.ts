import { defineCheck } from '../define-check'
import { charactersIn, textsOf } from '../page-texts'

export const keywordsLong = defineCheck({
  id: 'keywords-long',
  label: 'many keywords',
  subject: 'description',
  family: 'text',
  level: 'note',
  scope: 'page',
  looksAt: 'meta keywords.',
  why: 'They are not read any more; a long list looks like an attempt to be found for everything.',
  messages: {
    long: {
      says: 'keywords holds {words} words and {count} characters.',
      fix: 'Leave the tag out, or name a handful; line {line}.',
      anywhere: 'Leave the tag out, or name a handful.',
      repair: { do: 'removeTag', tag: 'keywords' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['keywords']).flatMap(({ text, at }) => {
      const words = text.split(/[\s,]+/).filter((word) => word !== '').length
      const count = charactersIn(text)
      return words > 20 || count > 255 ? [{ message: 'long', at, data: { words, count, line: at?.line ?? 0 } }] : []
    })
  },
})
