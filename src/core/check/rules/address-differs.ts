import { defineCheck } from '../define-check'
import { ownAddresses } from '../own-addresses'

export const addressDiffers = defineCheck({
  id: 'address-differs',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:url and canonical against the page’s own address.',
  why: 'Places fetch and count the address that the tags name: another page’s card may appear.',
  messages: {
    differs: {
      says: '{key} says {seen}; the page is {own}.',
      fix: 'Write {own} on line {line}, or make sure that the other page is meant.',
    },
  },
  check(page, { addresses }) {
    return ownAddresses(page).flatMap(({ key, raw, address, at }) => {
      // Addresses of the build stand for public ones here; that they are the build's is another finding.
      if (address === null || addresses.toPublic(address) === page.url) return []
      return [{ message: 'differs', at, data: { key, seen: raw, own: page.url, line: at.line } }]
    })
  },
})
