import { defineCheck } from '../define-check'
import { repeatedTags } from '../repeated-tags'

export const tagRepeated = defineCheck({
  id: 'tag-repeated',
  label: 'tag twice',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Tags of which a page or a picture has one, and canonical links.',
  why: 'Two plugins, or theme and plugin, both write the tag. Most places take the first, some the last.',
  messages: {
    differs: {
      says: '{key} stands on line {first} (“{firstValue}”) and on line {second} (“{secondValue}”). {takers} take line {first}; a place that takes the last shows the other.',
      fix: 'Remove one of the two: find which theme or plugin writes line {second}.',
      repair: { do: 'keepOne', tag: '{key}' },
    },
    canonicals: {
      says: 'There are two canonical links, on line {first} (“{firstValue}”) and on line {second} (“{secondValue}”). Search takes neither.',
      fix: 'Remove the one that is not meant: find which theme or plugin writes it.',
      repair: { do: 'askPerson', needs: 'a decision: which of the two canonicals is meant?' },
    },
  },
  check({ facts }, { surfaces }) {
    const takers = surfaces
      .filter((surface) => surface.repeats.value === 'first')
      .map((surface) => surface.name)
      .join(', ')
    return repeatedTags(facts).flatMap(({ key, tags }) => {
      const first = tags[0]!
      const other = tags.find(({ value }) => value !== first.value)
      if (!other) return []
      const data = {
        key,
        first: first.line,
        firstValue: first.value,
        second: other.line,
        secondValue: other.value,
        takers,
      }
      return [{ message: key === 'canonical' ? 'canonicals' : 'differs', at: other, data }]
    })
  },
})
