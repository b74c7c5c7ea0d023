import { isAllowed, pathnameOf } from '../../address'
import { isKeptOutByRobots } from '../../surface'
import { defineCheck } from '../define-check'

export const crawlerBlocked = defineCheck({
  id: 'crawler-blocked',
  label: 'crawler kept out',
  subject: 'access',
  family: 'access',
  level: 'error',
  scope: 'page',
  looksAt: 'robots.txt, for the crawler of every surface.',
  why: 'A place whose crawler is kept out shows the bare link.',
  messages: {
    unseen: {
      says: '{url} was not seen. {reason}',
      fix: 'Let it be seen, or accept it as it is.',
      repair: { do: 'askPerson', needs: 'a robots.txt that can be read' },
    },
    all: {
      says: 'robots.txt closes the whole site to every crawler (Disallow: /): a bare link on {places}.',
      fix: 'Remove “Disallow: /” before launch; before it, the site may be meant to be closed.',
      repair: { do: 'askPerson', needs: 'a robots.txt that is open at launch', where: 'server' },
    },
    blocked: {
      says: 'robots.txt keeps out {tokens}: a bare link on {places}.',
      fix: 'Let them in, at least to the pages that are meant for sharing.',
      repair: { do: 'allowCrawlers' },
    },
  },
  check({ url }, { cards, surfaces, addresses }) {
    // A search engine that is kept out is the site's own choice, and another matter.
    const out = surfaces.filter(
      ({ token, isListing }) => token !== null && !isListing && isKeptOutByRobots(url, token, cards),
    )
    if (out.length === 0) return []
    const tokens = [...new Set(out.map(({ token }) => token!))].join(', ')
    const { site } = addresses
    // A crawler that no line names meets what holds for all.
    const isClosedToAll = cards.robots !== null && !isAllowed(cards.robots, 'AnyOtherBot', pathnameOf(site))
    return [
      { message: isClosedToAll ? 'all' : 'blocked', data: { tokens, places: out.map(({ name }) => name).join(', ') } },
    ]
  },
})
