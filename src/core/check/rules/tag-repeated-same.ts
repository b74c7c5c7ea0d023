import { metasOf } from '../../surface/candidates'
import { isBlank } from '../../text/collapse'
import { defineCheck } from '../define-check'
import { isSingleValued } from '../known-keys'

export const tagRepeatedSame = defineCheck({
  id: 'tag-repeated-same',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'Tags of which a page has one.',
  why: 'Two of a kind are harmless while they agree, and a trap for the next edit.',
  messages: {
    same: { says: '{key} stands twice with the same value, on lines {lines}.', fix: 'Leave one of them out.' },
  },
  check({ facts }) {
    const keys = new Set(facts.metas.map(({ key }) => key).filter(isSingleValued))
    return [...keys].flatMap((key) => {
      const tags = metasOf(facts, key).filter(({ value }) => !isBlank(value))
      const places = new Set(tags.map(({ line, column }) => `${line}:${column}`))
      if (places.size < 2 || new Set(tags.map(({ value }) => value!.trim())).size > 1) return []
      return [
        {
          message: 'same',
          at: tags.at(-1)!,
          data: { key, lines: [...new Set(tags.map(({ line }) => line))].join(', ') },
        },
      ]
    })
  },
})
