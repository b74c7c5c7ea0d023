import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const appIdMalformed = defineCheck({
  id: 'app-id-malformed',
  label: 'app id malformed',
  subject: 'account',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'fb:app_id and fb:admins.',
  why: 'The ids are numbers; anything else is not understood.',
  messages: {
    malformed: {
      says: '{key} says “{seen}”, which is no number.',
      fix: 'Write the number; line {line}.',
      anywhere: 'Write the number.',
      repair: { do: 'setTag', tag: '{key}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['fb:app_id', 'fb:admins']).flatMap(({ key, text, at }) =>
      /^\d+(?:\s*,\s*\d+)*$/.test(text)
        ? []
        : [{ message: 'malformed', at, data: { key, seen: text, line: at?.line ?? 0 } }],
    )
  },
})
