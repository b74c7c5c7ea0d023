import { metasOf } from '../../surface'
import { isBlank, trimAscii } from '../../text'
import { defineCheck } from '../define-check'

const KINDS = ['summary', 'summary_large_image', 'player', 'app']

export const cardUnknown = defineCheck({
  id: 'card-unknown',
  label: 'unknown card kind',
  subject: 'card',
  family: 'open-graph',
  level: 'error',
  scope: 'page',
  looksAt: 'The value of twitter:card.',
  why: 'A kind that no place knows counts as none: the small card is shown, or a bare link.',
  messages: {
    unknown: {
      says: 'twitter:card says “{seen}”, which is no card kind.',
      fix: 'Write summary_large_image (or summary, player, app) on line {line}.',
      anywhere: 'Write summary_large_image (or summary, player, app).',
      repair: { do: 'setTag', tag: 'twitter:card' },
    },
  },
  check({ facts }) {
    return metasOf(facts, 'twitter:card').flatMap((tag) => {
      const seen = trimAscii(tag.value ?? '')
      if (isBlank(seen) || KINDS.includes(seen.toLowerCase())) return []
      return [{ message: 'unknown', at: tag, data: { seen, line: tag.line } }]
    })
  },
})
