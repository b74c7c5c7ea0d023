import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const accountMalformed = defineCheck({
  id: 'account-malformed',
  label: 'account malformed',
  subject: 'account',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'twitter:site and twitter:creator.',
  why: 'An account that is not written as one is not shown, and its owner is not told of the share.',
  messages: {
    malformed: {
      says: '{key} says “{seen}”.',
      fix: 'Write the account as @name: letters, digits and _, at most 15; line {line}.',
      anywhere: 'Write the account as @name: letters, digits and _, at most 15.',
      repair: { do: 'setTag', tag: '{key}' },
    },
  },
  check({ facts }) {
    return textsOf(facts, ['twitter:site', 'twitter:creator']).flatMap(({ key, text, at }) =>
      /^@\w{1,15}$/.test(text) ? [] : [{ message: 'malformed', at, data: { key, seen: text, line: at?.line ?? 0 } }],
    )
  },
})
