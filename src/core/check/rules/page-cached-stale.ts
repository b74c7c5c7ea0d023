import { defineCheck } from '../define-check'

const said = (value: string | null) => (value === null ? 'nothing' : `“${value}”`)

export const pageCachedStale = defineCheck({
  id: 'page-cached-stale',
  label: 'old copy in cache',
  subject: 'access',
  family: 'access',
  level: 'warning',
  scope: 'page',
  looksAt: 'What the page says when it is asked for past the caches, where a cache had answered.',
  why: 'Crawlers get what the cache holds: an older copy, however right the server is by now.',
  messages: {
    stale: {
      says: 'A cache gives an older copy ({how}): {key} says {here} there, and {there} past it.{more}',
      fix: 'Empty the cache for this page, and let pages be held for less long.',
      repair: { do: 'askPerson', needs: 'the cache emptied', where: 'server' },
    },
  },
  check(page) {
    const look = page.secondLooks?.find(({ how, differs }) => how === 'past-caches' && differs.length > 0)
    if (!look) return []
    const { ageSeconds, etag, cacheControl } = page.fetch.cache ?? { ageSeconds: null, etag: null, cacheControl: null }
    const [first, ...others] = look.differs
    return [
      {
        message: 'stale',
        data: {
          how: `Age: ${ageSeconds ?? 'not sent'}, Cache-Control: ${cacheControl ?? 'not sent'}, ETag: ${etag ?? 'not sent'}`,
          key: first!.key,
          here: said(first!.here),
          there: said(first!.there),
          more:
            others.length === 0 ? '' : ` ${others.length} more ${others.length === 1 ? 'tag differs' : 'tags differ'}.`,
        },
      },
    ]
  },
})
