import { defineCheck, type Raised } from '../define-check'
import { eachAddressOnce, ownAddresses, pictureAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

export const addressStaging = defineCheck({
  id: 'address-staging',
  label: 'points at staging',
  subject: 'address',
  alsoReads: ['picture'],
  isOf: 'form',
  family: 'access',
  level: 'error',
  scope: 'page',
  looksAt:
    'URLs in og:url, canonical, og:image and twitter:image: your machine, the server that was crawled, a staging or preview host, another origin that all of them agree on, one URL within another, “undefined” in a URL.',
  why: 'Such a URL can’t be reached from outside, or leads to a site that goes away: the card stays empty.',
  messages: {
    staging: {
      says: '{key}: {host} is not the production site.',
      fix: 'Change it to {whole} on line {line}: set the site’s URL in the production build.',
      anywhere: 'Change it to {whole}: set the site’s URL in the production build.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    elsewhere: {
      says: '{key}: {host} is not the site’s host. canonical, og:url and og:image all name it, with this page’s path.',
      fix: 'Change it to {whole} on line {line}, or give the site’s URL as it is to be.',
      anywhere: 'Change it to {whole}, or give the site’s URL as it is to be.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    doubled: {
      says: '{key} is one URL inside another: {seen}.',
      fix: 'Change it to {whole} on line {line}.',
      anywhere: 'Change it to {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    unfilled: {
      says: '{key} is “{seen}”: a part of the URL had no value.',
      fix: 'Change it to {whole} on line {line}.',
      anywhere: 'Change it to {whole}.',
      repair: { do: 'setTag', tag: '{key}', to: '{whole}' },
    },
    unknown: {
      says: '{key} is “{seen}”: a part of the URL had no value.',
      fix: 'Give the template the value that it lacks; line {line}.',
      anywhere: 'Give the template the value that it lacks.',
      repair: { do: 'askPerson', needs: 'the value that the template lacks' },
    },
  },
  check(page, context) {
    const own = eachAddressOnce(ownAddresses(page))
    const all = [...own, ...eachAddressOnce(pictureAddresses(page))]
    return all.flatMap((named): Raised[] => {
      const stray = strayOf(named, page, context)
      if (!stray) return []
      const { key, raw, address, at } = named
      const host = address === null ? raw : new URL(address).host
      // What a page's own URL was to be is known, whatever stands there.
      const whole = own.includes(named) && stray.why === 'unfilled' ? page.url : stray.whole
      const data = { key, host, seen: raw.trim(), line: at.line }
      if (whole === null) return [{ message: 'unknown', at, data }]
      const message = stray.why === 'local' || stray.why === 'build' || stray.why === 'preview' ? 'staging' : stray.why
      return [{ message, at, data: { ...data, whole } }]
    })
  },
})
