import { hostnameOf, isPrivateHost, originOf } from '../../address'
import { defineCheck } from '../define-check'
import { cardAddresses } from '../own-addresses'

const ABSOLUTE = /^\s*(?:[a-z][a-z0-9+.-]*:)?\/\//i

/** The same path on the production site. */
function onProduction(address: string, site: string): string {
  const { pathname, search } = new URL(address)
  const base = new URL(site)
  return base.origin + (pathname.startsWith(base.pathname) ? pathname : base.pathname + pathname.slice(1)) + search
}

export const addressStaging = defineCheck({
  id: 'address-staging',
  label: 'points at staging',
  subject: 'address',
  alsoReads: ['picture'],
  isOf: 'form',
  family: 'access',
  level: 'error',
  scope: 'page',
  looksAt: 'Addresses in og:url, canonical, og:image and twitter:image.',
  why: 'Your machine and your staging host can’t be reached from outside: the card stays empty.',
  messages: {
    staging: {
      says: '{key} points at {host}, which is not the production site.',
      fix: 'Write {whole} on line {line}: set the site’s address in the production build.',
      anywhere: 'Write {whole}: set the site’s address in the production build.',
      mend: { say: '{key}', as: '{whole}' },
    },
  },
  check(page, { addresses }) {
    return cardAddresses(page).flatMap(({ key, raw, address, at }) => {
      if (address === null || !ABSOLUTE.test(raw)) return []
      const isBuild =
        addresses.build !== null &&
        addresses.build !== addresses.site &&
        originOf(address) === originOf(addresses.build) &&
        addresses.toPublic(address) !== address
      if (!isBuild && !isPrivateHost(hostnameOf(address))) return []
      const { host } = new URL(address)
      const whole = isBuild ? addresses.toPublic(address) : onProduction(address, addresses.site)
      return [{ message: 'staging', at, data: { key, host, whole, line: at.line } }]
    })
  },
})
