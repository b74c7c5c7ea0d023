import { defineCheck } from '../define-check'
import { ownAddresses } from '../own-addresses'

export const addressInsecure = defineCheck({
  id: 'address-insecure',
  label: 'address over http',
  subject: 'address',
  isOf: 'form',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'The scheme of og:url and canonical on a site that is served by https.',
  why: 'The shared address leads past the encryption, and is counted as another page.',
  messages: {
    insecure: {
      says: '{key} is on http: {seen}.',
      fix: 'Write https:// on line {line}.',
      anywhere: 'Write https://.',
      mend: { say: '{key}', as: '{secure}' },
    },
  },
  check(page, { addresses }) {
    if (!addresses.site.startsWith('https:')) return []
    return ownAddresses(page).flatMap(({ key, raw, at }) => {
      const isInner = /^\s*http:\/\/(?:localhost|127\.|\[::1\])/i.test(raw)
      return /^\s*http:/i.test(raw) && !isInner
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
