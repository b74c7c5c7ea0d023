import { defineCheck } from '../define-check'
import { meantKey } from '../misspelled'

export const tagMisspelled = defineCheck({
  id: 'tag-misspelled',
  label: 'misspelled tag',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Keys that no place knows but that come close to one.',
  why: 'A misspelled tag is not read, and no place says so.',
  messages: {
    misspelled: {
      says: '{seen} is no tag; {meant} is.',
      fix: 'Write {meant} on line {line}.',
      anywhere: 'Write {meant}.',
      repair: { do: 'renameTag', tag: '{seen}', to: '{meant}' },
    },
  },
  check({ facts }) {
    const meantBy = new Map<string, string | null>()
    return facts.metas.flatMap((meta) => {
      if (meta.attribute !== 'name' && meta.attribute !== 'property') return []
      const known = meantBy.get(meta.key)
      const meant = known === undefined ? meantKey(meta.key) : known
      meantBy.set(meta.key, meant)
      return meant ? [{ message: 'misspelled', at: meta, data: { seen: meta.key, meant, line: meta.line } }] : []
    })
  },
})
