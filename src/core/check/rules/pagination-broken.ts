import { feedAndNeighbourLinks } from '../../crawl'
import { defineCheck, skipCheck } from '../define-check'
import { isAlive, knownPage } from '../known-page'

export const paginationBroken = defineCheck({
  id: 'pagination-broken',
  label: 'series broken',
  subject: 'access',
  family: 'access',
  level: 'note',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'The pages before and after it in a series (rel prev and next).',
  why: 'The series ends there for a reader’s software or a crawler that follows it.',
  messages: {
    dead: {
      says: 'The page {url}, named as its neighbour, is not there.',
      fix: 'Correct the link on line {line}, or leave it out.',
      anywhere: 'Correct the link, or leave it out.',
      repair: { do: 'removeLink' },
    },
  },
  check(page, context) {
    const { survey } = context.gathering
    if (!survey) return skipCheck('neighbours-not-looked-at')
    return feedAndNeighbourLinks(page, context.addresses).flatMap(({ kind, url, line, column }) => {
      if (kind !== 'neighbour') return []
      const known = knownPage(url, context)
      const isDead =
        known.kind === 'dead' || (known.kind === 'page' && !isAlive(known.page)) || survey.dead.includes(url)
      return isDead ? [{ message: 'dead', at: { line, column }, data: { url, line } }] : []
    })
  },
})
