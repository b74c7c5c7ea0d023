import { defineCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

const withoutSlash = (url: string) => (url.endsWith('/') ? url.slice(0, -1) : url)
const withoutScheme = (url: string) => url.replace(/^https?:/, '')

export const addressDiffers = defineCheck({
  id: 'address-differs',
  label: 'address differs',
  subject: 'address',
  alsoReads: ['picture'],
  family: 'access',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'og:url and canonical against the page’s own URL, where they lead to another page.',
  why: 'Places fetch and count the URL that the tags name: another page’s card may appear.',
  messages: {
    differs: {
      says: '{key}: {seen}. The page is {own}.',
      fix: 'Change it to {own} on line {line}, or make sure that the other page is meant.',
      anywhere: 'Change it to {own}, or make sure that the other page is meant.',
      mend: { say: '{key}', as: '{own}' },
    },
    form: {
      says: '{key}: {seen}. Most of the site uses {own}: the two differ in the slash at the end alone.',
      fix: 'Change it to {own} on line {line}, and use one form everywhere.',
      anywhere: 'Change it to {own}, and use one form everywhere.',
      mend: { say: '{key}', as: '{own}' },
    },
  },
  check(page, context) {
    const { addresses } = context
    return eachAddressOnce(ownAddresses(page)).flatMap((named) => {
      const { key, raw, address, at } = named
      if (address === null || strayOf(named, page, context)) return []
      // URLs of the build stand for public ones here; that they are the build's is another finding.
      const seen = addresses.toPublic(address)
      // That it is on http, or leads nowhere, is told by checks of their own.
      if (seen === page.url || withoutScheme(seen) === withoutScheme(page.url)) return []
      const known = knownPage(seen, context)
      if (known.kind === 'dead' || known.kind === 'redirect' || (known.kind === 'page' && !isAlive(known.page)))
        return []
      const isOtherForm = withoutSlash(seen) === withoutSlash(page.url)
      const message = isOtherForm ? 'form' : 'differs'
      return [{ message, isForm: isOtherForm, at, data: { key, seen: raw, own: page.url, line: at.line } }]
    })
  },
})
