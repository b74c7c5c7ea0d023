import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { isKnownKey } from '../known-keys'

export const tagEmpty = defineCheck({
  id: 'tag-empty',
  label: 'empty tag',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Every tag that places read.',
  why: 'An empty tag counts as absent. Mostly a template writes it without asking whether there is a value.',
  messages: {
    empty: {
      says: '{key} has no value.',
      fix: 'Give {key} on line {line} a value, or leave the tag out.',
      anywhere: 'Give {key} a value, or leave the tag out.',
      mend: { fill: '{key}' },
    },
  },
  check({ facts }) {
    return facts.metas
      .filter(
        (meta) =>
          (meta.attribute === 'name' || meta.attribute === 'property') && isKnownKey(meta.key) && isBlank(meta.value),
      )
      .map((meta) => ({ message: 'empty', at: meta, data: { key: meta.key, line: meta.line } }))
  },
})
