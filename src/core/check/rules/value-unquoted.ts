import { isKnownKey } from '../../tag'
import { defineCheck, type Raised } from '../define-check'
import { runsOn } from '../misspelled'

export const valueUnquoted = defineCheck({
  id: 'value-unquoted',
  label: 'value cut off',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Values of tags that have no quotes around them, or no closing one.',
  why: 'Without quotes a value ends at its first space: the rest of the text is lost.',
  messages: {
    cut: {
      says: '{key} has no quotes around its value and ends at the first space: “{seen}”.',
      fix: 'Put quotes around the whole value on line {line}: “{whole}”.',
      anywhere: 'Put quotes around the whole value.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    open: {
      says: 'The value of {key} has no closing quote: it runs on into the next tag.',
      fix: 'Close the quote on line {line}; the tags behind it are read then.',
      anywhere: 'Close the quote; the tags behind it are read then.',
      repair: { do: 'askPerson', needs: 'a closing quote' },
    },
  },
  check({ facts }) {
    return facts.metas.flatMap((meta): Raised[] => {
      if (runsOn(meta)) return [{ message: 'open', level: 'error', at: meta, data: { key: meta.key, line: meta.line } }]
      if (meta.cutOff === undefined || !isKnownKey(meta.key)) return []
      const seen = meta.value ?? ''
      const data = { key: meta.key, seen, whole: `${seen} ${meta.cutOff}`, line: meta.line }
      return [{ message: 'cut', at: meta, data }]
    })
  },
})
