import { defineCheck } from '../define-check'
import { ownAddresses } from '../own-addresses'

const withoutSlash = (url: string) => (url.endsWith('/') ? url.slice(0, -1) : url)

export const addressDiffers = defineCheck({
  id: 'address-differs',
  label: 'address differs',
  subject: 'address',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'og:url and canonical against the page’s own address.',
  why: 'Places fetch and count the address that the tags name: another page’s card may appear.',
  messages: {
    differs: {
      says: '{key} says {seen}; the page is {own}.',
      fix: 'Write {own} on line {line}, or make sure that the other page is meant.',
      anywhere: 'Write {own}, or make sure that the other page is meant.',
      mend: { say: '{key}', as: '{own}' },
    },
    form: {
      says: '{key} says {seen}; most of the site writes {own}. The two differ in the slash at the end alone.',
      fix: 'Write {own} on line {line}, and one form everywhere.',
      anywhere: 'Write {own}, and one form everywhere.',
      mend: { say: '{key}', as: '{own}' },
    },
  },
  check(page, { addresses }) {
    return ownAddresses(page).flatMap(({ key, raw, address, at }) => {
      // Addresses of the build stand for public ones here; that they are the build's is another finding.
      if (address === null || addresses.toPublic(address) === page.url) return []
      const isOtherForm = withoutSlash(addresses.toPublic(address)) === withoutSlash(page.url)
      const message = isOtherForm ? 'form' : 'differs'
      return [{ message, isForm: isOtherForm, at, data: { key, seen: raw, own: page.url, line: at.line } }]
    })
  },
})
