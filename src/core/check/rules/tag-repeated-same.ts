import { defineCheck } from '../define-check'
import { repeatedTags } from '../repeated-tags'

export const tagRepeatedSame = defineCheck({
  id: 'tag-repeated-same',
  label: 'tag twice, the same',
  isOf: 'form',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'Tags of which a page or a picture has one, canonical links, and pictures named twice.',
  why: 'Two of a kind are harmless while they agree, and a trap for the next edit.',
  messages: {
    same: {
      says: '{key} stands twice with the same value, on lines {lines}.',
      fix: 'Leave one of them out.',
      repair: { do: 'keepOne', tag: '{key}' },
    },
  },
  check({ facts }) {
    return repeatedTags(facts).flatMap(({ key, tags }) => {
      if (tags.some(({ value }) => value !== tags[0]!.value)) return []
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
