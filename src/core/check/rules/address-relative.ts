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
      fix: 'Write {whole} on line {line}.',
      anywhere: 'Write {whole}.',
      mend: { say: '{key}', as: '{whole}' },
    },
  },
  check(page, { addresses }) {
    return ownAddresses(page).flatMap(({ key, raw, address, at }) => {
      if (/^\s*https?:\/\//i.test(raw)) return []
      const whole = address === null ? page.url : addresses.toPublic(address)
      return [{ message: 'relative', at, data: { key, seen: raw, whole, line: at.line } }]
    })
  },
})
