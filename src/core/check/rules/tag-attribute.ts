import { attributeAsked } from '../../tag'
import { defineCheck } from '../define-check'

export const tagAttribute = defineCheck({
  id: 'tag-attribute',
  label: 'wrong attribute',
  isOf: 'form',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'The attribute that names a tag.',
  why: 'Some places read og: tags only under property, and the others only under name.',
  messages: {
    attribute: {
      says: '{key} stands under {seen}.',
      fix: 'Write {right}="{key}" on line {line}.',
      anywhere: 'Write {right}="{key}".',
      repair: { do: 'setAttribute', tag: '{key}' },
    },
  },
  check({ facts }) {
    const rightly = new Set(
      facts.metas.filter(({ key, attribute }) => attribute === attributeAsked(key)).map(({ key }) => key),
    )
    return facts.metas.flatMap((meta) => {
      const right = attributeAsked(meta.key)
      const isWrong =
        right !== null && (meta.attribute === 'name' || meta.attribute === 'property') && meta.attribute !== right
      return isWrong && !rightly.has(meta.key)
        ? [{ message: 'attribute', at: meta, data: { key: meta.key, seen: meta.attribute, right, line: meta.line } }]
        : []
    })
  },
})
