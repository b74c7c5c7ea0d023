import { defineCheck } from '../define-check'
import { eachAddressOnce, ownAddresses } from '../own-addresses'
import { strayOf } from '../stray-address'

export const addressInsecure = defineCheck({
  id: 'address-insecure',
  label: 'address over http',
  subject: 'address',
  alsoReads: ['picture'],
  isOf: 'form',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'The scheme of og:url and canonical on a site that is served by https.',
  why: 'The shared address leads past the encryption, and is counted as another page.',
  messages: {
    insecure: {
      says: '{key} over http: {seen}.',
      fix: 'Write https:// on line {line}.',
      anywhere: 'Write https://.',
      repair: { do: 'setTag', tag: '{key}', to: '{secure}' },
    },
  },
  check(page, { addresses, images }) {
    if (!addresses.site.startsWith('https:')) return []
    return eachAddressOnce(ownAddresses(page)).flatMap(({ key, raw, address, at }) => {
      return /^\s*http:/i.test(raw) && !strayOf({ raw, address }, page, { addresses, images })
        ? [
            {
              message: 'insecure',
              at,
              data: { key, seen: raw, secure: raw.trim().replace(/^http:/i, 'https:'), line: at.line },
            },
          ]
        : []
    })
  },
})
