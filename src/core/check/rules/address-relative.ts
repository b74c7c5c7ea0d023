import { defineCheck } from '../define-check'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

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
      says: '{key} is not a whole URL: {seen}.',
      fix: 'Write {whole} on line {line}.',
      anywhere: 'Write {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    scheme: {
      says: '{key} is not an http(s) URL: {seen}.',
      fix: 'Change it to {whole} on line {line}.',
      anywhere: 'Change it to {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
  },
  check(page, { addresses, images }) {
    return eachAddressOnce(ownAddresses(page)).flatMap(({ key, raw, address, at }) => {
      if (/^\s*https?:\/\//i.test(raw) || strayOf({ raw, address }, page, { addresses, images })) return []
      const whole = address === null ? page.url : addresses.toPublic(address)
      const message = /^\s*[a-z][a-z0-9+.-]*:/i.test(raw) ? 'scheme' : 'relative'
      return [{ message, at, data: { key, seen: raw, whole, line: at.line } }]
    })
  },
})
