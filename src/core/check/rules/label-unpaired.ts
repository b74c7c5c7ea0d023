import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const labelUnpaired = defineCheck({
  id: 'label-unpaired',
  label: 'label without data',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  looksAt: 'twitter:label and twitter:data.',
  why: 'A label without its data, or data without a label, is not shown.',
  messages: {
    unpaired: {
      says: '{key} stands without {other}.',
      fix: 'Add {other}, or leave {key} out; line {line}.',
      anywhere: 'Add {other}, or leave {key} out.',
      repair: { do: 'removeTag', tag: '{key}' },
    },
  },
  check({ facts }) {
    return [1, 2].flatMap((number) => {
      const label = textsOf(facts, [`twitter:label${number}`])[0]
      const data = textsOf(facts, [`twitter:data${number}`])[0]
      const lone = label && !data ? label : data && !label ? data : null
      if (!lone) return []
      const other = lone === label ? `twitter:data${number}` : `twitter:label${number}`
      return [{ message: 'unpaired', at: lone.at, data: { key: lone.key, other, line: lone.at?.line ?? 0 } }]
    })
  },
})
