import { defineCheck } from '../define-check'
import { isKnownKey } from '../known-keys'

export const valueUnquoted = defineCheck({
  id: 'value-unquoted',
  label: 'value cut off',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Values of tags that have no quotes around them.',
  why: 'Without quotes a value ends at its first space: the rest of the text is lost.',
  messages: {
    cut: {
      says: '{key} has no quotes around its value and ends at the first space: “{seen}”.',
      fix: 'Put quotes around the whole value on line {line}: “{whole}”.',
      anywhere: 'Put quotes around the whole value.',
      mend: { say: '{key}', as: '{whole}' },
    },
  },
  check({ facts }) {
    return facts.metas.flatMap((meta) => {
      if (meta.cutOff === undefined || !isKnownKey(meta.key)) return []
      const seen = meta.value ?? ''
      const data = { key: meta.key, seen, whole: `${seen} ${meta.cutOff}`, line: meta.line }
      return [{ message: 'cut', at: meta, data }]
    })
  },
})
