import { isSameButSlash } from '../../address'
import type { GatheredPage } from '../../model'
import type { CheckContext } from '../context'
import { defineCheck, skipCheck } from '../define-check'
import { isAlive } from '../known-page'

/** Visitors come to a page without a link where the site's own URL leads to it, or the crawl began there. */
function isEntrance({ url, fetch }: GatheredPage, { addresses, gathering }: CheckContext): boolean {
  const { kind, location } = gathering.source
  const isStart = kind === 'url' && isSameButSlash(addresses.toPublic(location), url)
  return isStart || (fetch.ledHereBy ?? []).some(({ address }) => isSameButSlash(address, addresses.site))
}

export const pageOrphan = defineCheck({
  id: 'page-orphan',
  label: 'linked from nowhere',
  subject: 'access',
  isOfEachPage: true,
  family: 'access',
  level: 'note',
  scope: 'site',
  looksAt: 'Whether some other page links to each page.',
  why: 'Visitors of the site don’t come to it, and crawlers take it for unimportant.',
  messages: {
    orphans: {
      says: 'No page links to {count} pages, such as {such}.',
      fix: 'Link to them, or leave them out of the build.',
      repair: { do: 'askPerson', needs: 'links to these pages, or a build without them' },
    },
    orphan: {
      says: 'No page links to {such}.',
      fix: 'Link to it, or leave it out of the build.',
      repair: { do: 'askPerson', needs: 'a link to the page, or a build without it' },
    },
  },
  check(context) {
    const unlinked = context.gathering.survey?.unlinked
    if (!unlinked) return skipCheck('not-all-pages-read')
    // Where there is one page, nothing could link to it.
    if (context.pages.length < 2) return []
    const known = new Set(
      context.pages.filter((page) => isAlive(page) && !isEntrance(page, context)).map(({ url }) => url),
    )
    const pages = unlinked.filter((url) => known.has(url))
    if (pages.length === 0) return []
    return [
      { message: pages.length === 1 ? 'orphan' : 'orphans', pages, data: { count: pages.length, such: pages[0]! } },
    ]
  },
})
