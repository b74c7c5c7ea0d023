import { describe, expect, test } from 'vitest'
import type { ReadRequest } from '../../crawl'
import { crawlMemory, findingsOfCheck } from '../../testing/crawl-run'
import { GOOD_SITE, goodPage } from '../../testing/good-site'

const held = { age: '900', etag: '"a"', 'cache-control': 'max-age=86400' }

/** Findings where a cache holds one page, and the server behind it another. */
async function findingsOf(inCache: string, onServer: string, headers: Record<string, string> = held) {
  const asked: ReadRequest[] = []
  const gathering = await crawlMemory(GOOD_SITE, (request) => {
    const { pathname, search } = new URL(request.url)
    if (pathname !== '/') return { status: 404 }
    asked.push(request)
    return request.pastCaches && search !== '' ? { body: onServer } : { body: inCache, headers }
  })
  return { findings: findingsOfCheck(gathering, 'page-cached-stale'), asked }
}

const roses = goodPage('', 'Roses')
const renamed = goodPage('', 'Roses', { 'og:title': '<meta property="og:title" content="Roses, again">' })

describe('page-cached-stale', () => {
  test('raised: the cache says one thing, the server another', async () => {
    const { findings, asked } = await findingsOf(roses, renamed)
    expect(findings).toMatchObject([
      {
        level: 'warning',
        message:
          'A cache gives an older copy (Age: 900, Cache-Control: max-age=86400, ETag: "a"): og:title says “Roses of the garden” there, and “Roses, again” past it.',
        fix: 'Empty the cache for this page, and let pages be held for less long.',
      },
    ])
    expect(asked.map(({ pastCaches }) => pastCaches ?? false)).toEqual([false, true])
  })

  test('raised: a cache that says so by another header, and a tag that is there no more', async () => {
    const without = goodPage('', 'Roses', { 'og:description': null, 'og:site_name': null })
    const { findings } = await findingsOf(roses, without, { 'cf-cache-status': 'HIT' })
    expect(findings[0]?.message).toContain('past it. 1 more tag differs.')
    expect(findings[0]?.message).toContain('nothing past it')
  })

  test.each([
    ['both say the same', roses, roses, held],
    ['no cache has answered', roses, renamed, { age: '0', 'x-cache': 'MISS' }],
    [
      'only the page’s own address differs, which follows the question',
      roses,
      goodPage('', 'Roses', { 'og:url': `<meta property="og:url" content="${GOOD_SITE}?nimble-parrot=1">` }),
      held,
    ],
  ])('not raised: %s', async (_name, inCache, onServer, headers) => {
    expect((await findingsOf(inCache, onServer, headers as Record<string, string>)).findings).toEqual([])
  })

  test('where no cache shows its hand nothing is asked twice', async () => {
    expect((await findingsOf(roses, renamed, {})).asked).toHaveLength(1)
  })
})
