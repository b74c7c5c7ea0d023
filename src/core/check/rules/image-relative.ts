import { parseUrl } from '../../crawl/address'
import { metasOf } from '../../surface/candidates'
import { isBlank, trimAscii } from '../../text/collapse'
import { defineCheck } from '../define-check'

const KEYS = ['og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image', 'twitter:image:src']
const ABSOLUTE = /^[a-z][a-z0-9+.-]*:/i

export const imageRelative = defineCheck({
  id: 'image-relative',
  family: 'image',
  level: 'error',
  scope: 'page',
  looksAt: 'The addresses in og:image and twitter:image.',
  why: 'The protocol asks for whole addresses. Many places don’t complete a relative one and show no picture.',
  messages: {
    relative: {
      says: '{key} is “{seen}”, not a whole address.',
      fix: 'Write {whole} on line {line}.',
    },
  },
  check(page, { addresses }) {
    return KEYS.flatMap((key) => metasOf(page.facts, key)).flatMap((tag) => {
      const seen = trimAscii(tag.value ?? '')
      if (isBlank(seen) || ABSOLUTE.test(seen)) return []
      const whole = parseUrl(seen, page.url)?.href ?? addresses.site
      return [{ message: 'relative', at: tag, data: { key: tag.key, seen, whole, line: tag.line } }]
    })
  },
})
