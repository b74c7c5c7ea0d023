import { isSameButSlash, withoutQuery } from '../../address'
import { defineCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

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
      repair: { do: 'setTag', tag: '{key}', to: '{own}' },
    },
    asks: {
      says: '{key}: {seen}. The page is {own}.',
      fix: 'Either {seen} is meant to stand for this page, or the tag on line {line} was copied: then change it to {own}.',
      anywhere:
        'Either the other page is meant to stand for it, or the tag was copied: then change it to the page’s own URL.',
      repair: { do: 'askPerson', needs: 'a decision: which page is meant to be shared and found?' },
    },
    form: {
      says: '{key}: {seen}. Most of the site uses {own}: the two differ in the slash at the end alone.',
      fix: 'Change it to {own} on line {line}, and use one form everywhere.',
      anywhere: 'Change it to {own}, and use one form everywhere.',
      repair: { do: 'setTag', tag: '{key}', to: '{own}' },
    },
  },
  check(page, context) {
    const { addresses } = context
    const all = ownAddresses(page)
    const isOwn = (address: string | null) => address !== null && addresses.toPublic(address) === page.url
    const hasOwnCanonical = all.some(({ key, address }) => key === 'canonical' && isOwn(address))
    return eachAddressOnce(all).flatMap((named) => {
      const { key, raw, address, at } = named
      if (address === null || strayOf(named, page, context)) return []
      // URLs of the build stand for public ones here; that they are the build's is another finding.
      const seen = addresses.toPublic(address)
      // That it is on http, or leads nowhere, is told by checks of their own.
      if (seen === page.url || withoutScheme(seen) === withoutScheme(page.url)) return []
      const known = knownPage(seen, context)
      if (known.kind === 'dead' || known.kind === 'redirect' || (known.kind === 'page' && !isAlive(known.page)))
        return []
      const isOtherForm = isSameButSlash(seen, page.url)
      // A second canonical beside the page's own is told as a tag that stands twice.
      if (key === 'canonical' && hasOwnCanonical) return []
      // Another page's canonical may be meant; an og:url against the page's own canonical is not.
      const isThisPage = known.kind === 'page' && known.page.url === page.url
      const isCertain = hasOwnCanonical || isThisPage || withoutQuery(seen) === withoutQuery(page.url)
      const message = isOtherForm ? 'form' : isCertain ? 'differs' : 'asks'
      return [{ message, isForm: isOtherForm, at, data: { key, seen: raw, own: page.url, line: at.line } }]
    })
  },
})
