import type { Position } from '../../model'
import { isKnownKey } from '../../tag'
import { defineCheck } from '../define-check'

const bySource = (a: Position, b: Position) => a.line - b.line || a.column - b.column

export const tagOutsideHead = defineCheck({
  id: 'tag-outside-head',
  label: 'tag outside head',
  subject: 'head',
  isOf: 'form',
  family: 'open-graph',
  level: 'warning',
  scope: 'page',
  looksAt: 'Where the parser puts the tags, and the canonical link.',
  why: 'Some places read no further than the head; search takes no canonical link from the body.',
  messages: {
    outside: {
      says: '{key} and {others} stand in the body: {by} closed the head.',
      fix: 'Move what closed the head behind the tags; line {line}.',
      anywhere: 'Move what closed the head behind the tags.',
      repair: { do: 'moveTagsUp' },
    },
    alone: {
      says: '{key} stands in the body: {by} closed the head.',
      fix: 'Move it into the head; line {line}.',
      anywhere: 'Move it into the head.',
      repair: { do: 'moveTagsUp' },
    },
    twoHeads: {
      says: 'There is a second <head> on line {line}. Readers that stop after the first miss {key} and what follows.',
      fix: 'Put all tags into one <head>.',
      repair: { do: 'moveTagsUp' },
    },
  },
  check({ facts }) {
    const again = facts.headAgain
    const behind = again && facts.metas.find((meta) => meta.inHead && isKnownKey(meta.key) && bySource(again, meta) < 0)
    if (behind) return [{ message: 'twoHeads', at: behind, data: { key: behind.key, line: again.line } }]
    const metas = facts.metas.filter(({ inHead, key }) => !inHead && isKnownKey(key))
    const canonicals = facts.links.filter(({ rel, inBody }) => inBody && rel.split(' ').includes('canonical'))
    const outside = [...metas, ...canonicals.map((link) => ({ ...link, key: 'canonical' }))].sort(bySource)
    const first = outside[0]
    if (!first) return []
    const closer = facts.headClosedBy
    const by = closer ? `${closer.by} on line ${closer.line}` : 'its end tag'
    const count = outside.length - 1
    const data = {
      key: first.key,
      others: count === 1 ? 'one more' : `${count} more`,
      by,
      line: closer?.line ?? first.line,
    }
    return [{ message: count > 0 ? 'outside' : 'alone', at: first, data }]
  },
})
