import { addTo } from '../../group-by'
import type { MetaFact } from '../../model'
import { collapseWhiteSpace, isBlank } from '../../text/collapse'
import { defineCheck } from '../define-check'
import { isSingleValued } from '../known-keys'

export const tagRepeated = defineCheck({
  id: 'tag-repeated',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Tags of which a page has one.',
  why: 'Two plugins, or theme and plugin, both write the tag. Most places take the first, some the last.',
  messages: {
    differs: {
      says: '{key} stands on line {first} (“{firstValue}”) and on line {second} (“{secondValue}”). {takers} take line {first}; a place that takes the last shows the other.',
      fix: 'Remove one of the two: find which theme or plugin writes line {second}.',
    },
  },
  check({ facts }, { surfaces }) {
    const byKey = new Map<string, MetaFact[]>()
    for (const meta of facts.metas) {
      const isRead = meta.attribute === 'name' || meta.attribute === 'property'
      if (isRead && isSingleValued(meta.key) && !isBlank(meta.value)) addTo(byKey, meta.key, meta)
    }
    const takers = surfaces
      .filter((surface) => surface.repeats.value === 'first')
      .map((surface) => surface.name)
      .join(', ')
    return [...byKey].flatMap(([key, metas]) => {
      const first = metas[0]!
      const firstValue = collapseWhiteSpace(first.value!)
      const other = metas.find((meta) => collapseWhiteSpace(meta.value!) !== firstValue)
      if (!other) return []
      const secondValue = collapseWhiteSpace(other.value!)
      return [
        {
          message: 'differs',
          at: other,
          data: { key, first: first.line, firstValue, second: other.line, secondValue, takers },
        },
      ]
    })
  },
})
