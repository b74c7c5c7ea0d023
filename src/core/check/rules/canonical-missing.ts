import { defineCheck } from '../define-check'

export const canonicalMissing = defineCheck({
  id: 'canonical-missing',
  label: 'no canonical',
  subject: 'address',
  lacks: 'canonical',
  family: 'access',
  level: 'note',
  scope: 'page',
  looksAt: '<link rel=canonical>.',
  why: 'Without it every variant of the address may be counted as a page of its own.',
  messages: {
    absent: {
      says: 'There is no canonical link.',
      fix: 'Add <link rel="canonical" href="{own}">.',
      repair: { do: 'setTag', tag: 'canonical' },
    },
  },
  check({ url, facts }) {
    return facts.canonical === null ? [{ message: 'absent', data: { own: url } }] : []
  },
})
