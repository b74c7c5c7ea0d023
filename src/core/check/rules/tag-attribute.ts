import { defineCheck } from '../define-check'

const isNamed = (key: string) => key === 'description' || key.startsWith('twitter:')

export const tagAttribute = defineCheck({
  id: 'tag-attribute',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'The attribute that names a tag.',
  why: 'Some places read og: tags only under property, and the others only under name.',
  messages: {
    attribute: { says: '{key} stands under {seen}.', fix: 'Write {right}="{key}" on line {line}.' },
  },
  check({ facts }) {
    return facts.metas.flatMap((meta) => {
      const right = /^(?:og|article|book|profile|product|music|video|fb):/.test(meta.key)
        ? 'property'
        : isNamed(meta.key)
          ? 'name'
          : null
      const isWrong =
        right !== null && (meta.attribute === 'name' || meta.attribute === 'property') && meta.attribute !== right
      const hasRight = facts.metas.some(({ key, attribute }) => key === meta.key && attribute === right)
      return isWrong && !hasRight
        ? [{ message: 'attribute', at: meta, data: { key: meta.key, seen: meta.attribute, right, line: meta.line } }]
        : []
    })
  },
})
