import { defineCheck } from '../define-check'
import { ownAddresses } from '../own-addresses'

export const addressRelative = defineCheck({
  id: 'address-relative',
  label: 'relative address',
  subject: 'address',
  isOf: 'form',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:url and canonical.',
  why: 'Places do not resolve them all: an address must be whole.',
  messages: {
    relative: {
      says: '{key} is not a whole address: {seen}.',
      fix: 'Write https:// and the host before it; line {line}.',
      anywhere: 'Write https:// and the host before it.',
    },
  },
  check(page) {
    return ownAddresses(page).flatMap(({ key, raw, at }) =>
      /^\s*https?:\/\//i.test(raw) ? [] : [{ message: 'relative', at, data: { key, seen: raw, line: at.line } }],
    )
  },
})
