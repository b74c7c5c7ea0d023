import { resolveAddress, withoutQuery } from '../../address'
import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'
import { readShareLink } from '../share-link'

/** An address without what makes no other page of it. */
const withoutQueryAndSlash = (address: string) => withoutQuery(address).replace(/\/$/, '')

export const shareLinkDiffers = defineCheck({
  id: 'share-link-differs',
  label: 'share link differs',
  subject: 'share-links',
  alsoReads: ['account', 'address'],
  family: 'rich-data',
  level: 'warning',
  scope: 'page',
  looksAt: 'Links on the page that hand an address to another site.',
  why: 'A share button that shares another page, or names another account, works against the page it stands on.',
  messages: {
    address: {
      says: 'A share link shares {seen}, not this page.',
      fix: 'Put {own} into the link; line {line}.',
      anywhere: 'Put {own} into the link.',
      repair: { do: 'setShareUrl', to: '{own}' },
    },
    meant: {
      says: 'A share link shares {seen}; links of this section are meant to share {own}.',
      fix: 'Put {own} into the link; line {line}.',
      anywhere: 'Put {own} into the link.',
      repair: { do: 'setShareUrl', to: '{own}' },
    },
    account: {
      says: 'A share link names {seen}; twitter:site is {account}.',
      fix: 'Name one account in both; line {line}.',
      anywhere: 'Name one account in both.',
      repair: { do: 'setShareUrl', to: '{own}' },
    },
  },
  check(page, { addresses, ruleFor }) {
    // Where the requirements say so, links share another page than the one they stand on.
    const { shareTo } = ruleFor(page)
    const meant = shareTo === null ? null : resolveAddress(shareTo.replaceAll('{page}', page.url), addresses.site)
    const account = textsOf(page.facts, ['twitter:site'])[0]?.text ?? null
    return (page.facts.shareLinks ?? []).flatMap((link) => {
      const shared = readShareLink(link.href, page.url)
      if (!shared) return []
      const own = meant ?? page.url
      const data = { line: link.line, own }
      const address = shared.address === null ? null : addresses.toPublic(shared.address)
      if (
        address !== null &&
        addresses.isOnSite(address) &&
        withoutQueryAndSlash(address) !== withoutQueryAndSlash(own)
      ) {
        return [{ message: meant === null ? 'address' : 'meant', at: link, data: { ...data, seen: address } }]
      }
      const via = shared.via === null ? null : `@${shared.via.replace(/^@/, '')}`
      const isOther = via !== null && account !== null && via.toLowerCase() !== account.toLowerCase()
      return isOther && address !== null
        ? [{ message: 'account', at: link, data: { ...data, seen: via, account } }]
        : []
    })
  },
})
