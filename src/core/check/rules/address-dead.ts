import { defineCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

export const addressDead = defineCheck({
  id: 'address-dead',
  label: 'dead address',
  subject: 'address',
  alsoReads: ['picture'],
  family: 'access',
  level: 'error',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Whether og:url and canonical lead to a page of this run.',
  why: 'Places follow og:url and show what they find there: nothing, when it is dead.',
  messages: {
    missing: {
      says: '{key}: {address} is not in the build.',
      fix: 'Write the page’s own address, {own}, on line {line}.',
      anywhere: 'Write the page’s own address, {own}.',
      mend: { say: '{key}', as: '{own}' },
    },
    answered: {
      says: '{key}: {address} answered {status}.',
      fix: 'Write the page’s own address, {own}, on line {line}.',
      anywhere: 'Write the page’s own address, {own}.',
      mend: { say: '{key}', as: '{own}' },
    },
    redirects: {
      says: '{key}: {address} redirects to {to}.',
      fix: 'Write {to} on line {line}.',
      anywhere: 'Write {to}.',
      mend: { say: '{key}', as: '{to}' },
    },
  },
  check(page, context) {
    return eachAddressOnce(ownAddresses(page)).flatMap((named) => {
      const { key, address, at } = named
      if (address === null || strayOf(named, page, context)) return []
      const found = knownPage(context.addresses.toPublic(address), context)
      const data = { key, address, own: page.url, line: at.line }
      if (found.kind === 'dead')
        return found.status === null
          ? [{ message: 'missing', at, data }]
          : [{ message: 'answered', at, data: { ...data, status: found.status } }]
      if (found.kind === 'redirect')
        return [{ message: 'redirects', at, level: 'warning' as const, data: { ...data, to: found.page.url } }]
      if (found.kind !== 'page' || isAlive(found.page)) return []
      return [{ message: 'answered', at, data: { ...data, status: found.page.fetch.status ?? 'nothing' } }]
    })
  },
})
