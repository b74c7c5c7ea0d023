import { defineCheck } from '../define-check'
import { textsOf } from '../page-texts'

export const imageInsecure = defineCheck({
  id: 'image-insecure',
  label: 'picture over http',
  subject: 'picture',
  isOf: 'form',
  family: 'image',
  level: 'warning',
  scope: 'page',
  looksAt: 'The scheme of og:image and twitter:image.',
  why: 'Many places do not show a picture that is served without encryption.',
  messages: {
    insecure: {
      says: '{key} is on http: {seen}.',
      fix: 'Write https:// on line {line}, or add og:image:secure_url.',
      anywhere: 'Write https://, or add og:image:secure_url.',
      repair: { do: 'setTag', tag: '{key}', to: '{secure}' },
    },
  },
  check({ facts }) {
    const hasSecure = textsOf(facts, ['og:image:secure_url']).some(({ text }) => /^https:/i.test(text))
    return textsOf(facts, ['og:image', 'og:image:url', 'twitter:image', 'twitter:image:src']).flatMap(
      ({ key, text, at }) => {
        const isInner = /^http:\/\/(?:localhost|127\.|\[::1\])/i.test(text)
        const isExcused = isInner || (hasSecure && key.startsWith('og:'))
        return /^http:/i.test(text) && !isExcused
          ? [
              {
                message: 'insecure',
                at,
                data: { key, seen: text, secure: text.replace(/^http:/i, 'https:'), line: at?.line ?? 0 },
              },
            ]
          : []
      },
    )
  },
})
