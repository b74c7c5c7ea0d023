import { feedAndNeighbourLinks } from '../../crawl'
import { defineCheck, skipCheck } from '../define-check'

export const feedDead = defineCheck({
  id: 'feed-dead',
  label: 'dead feed',
  subject: 'access',
  family: 'access',
  level: 'note',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Feeds that the page links to (RSS, Atom, JSON Feed).',
  why: 'Readers who follow the site by its feed lose it, and hear nothing of that.',
  messages: {
    dead: {
      says: 'The feed {url} is not there.',
      fix: 'Correct the link on line {line}, or have the build write the feed.',
      anywhere: 'Correct the link, or have the build write the feed.',
      repair: { do: 'removeLink' },
    },
  },
  check(page, context) {
    const { survey } = context.gathering
    if (!survey) return skipCheck('feeds-not-looked-at')
    return feedAndNeighbourLinks(page, context.addresses).flatMap(({ kind, url, line, column }) =>
      kind === 'feed' && survey.dead.includes(url)
        ? [{ message: 'dead', at: { line, column }, data: { url, line } }]
        : [],
    )
  },
})
