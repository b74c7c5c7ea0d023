import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { createCheckContext } from './context'
import { isAlive, knownPage } from './known-page'

async function contextOf(change: 'whole' | 'crawled' | 'bounded' | 'narrowed' = 'whole') {
  const gathering = await gatherMemory(goodSite({ 'guides/index.html': goodPage('guides/', 'Lilies') }), GOOD_SITE)
  if (change === 'crawled') gathering.source = { ...gathering.source, kind: 'url', location: GOOD_SITE }
  if (change === 'bounded') gathering.incomplete.push({ why: 'pages', message: 'x' })
  if (change === 'narrowed') gathering.scope.push('--include /guides/**')
  return createCheckContext(gathering)
}

describe('what a run knows of an address', () => {
  test.each([
    ['about.html', 'about.html'],
    ['about', 'about.html'],
    ['about?utm_source=x', 'about.html'],
    ['guides/', 'guides/'],
    ['guides', 'guides/'],
    ['guides/index.html', 'guides/'],
    ['', ''],
  ])('/%s is the page /%s', async (path, page) => {
    expect(knownPage(GOOD_SITE + path, await contextOf())).toMatchObject({
      kind: 'page',
      page: { url: GOOD_SITE + page },
    })
  })

  test('another scheme, and an index, are forms of one page', async () => {
    const context = await contextOf()
    for (const path of ['', 'index.html', 'guides/index.html', 'about.html'])
      expect(knownPage(GOOD_SITE.replace('https', 'http') + path, context).kind).not.toBe('dead')
  })

  test('what a build lacks is dead; files and other sites are not known', async () => {
    const context = await contextOf()
    expect(knownPage(`${GOOD_SITE}none`, context).kind).toBe('dead')
    expect(knownPage(`${GOOD_SITE}none.html`, context).kind).toBe('dead')
    expect(knownPage(`${GOOD_SITE}none.pdf`, context).kind).toBe('unknown')
    expect(knownPage('https://other.example/', context).kind).toBe('unknown')
  })

  test.each(['crawled', 'bounded', 'narrowed'] as const)(
    'a run that was %s can’t say that something is not there',
    async (change) => {
      const context = await contextOf(change)
      expect(knownPage(`${GOOD_SITE}none`, context).kind).toBe('unknown')
      expect(knownPage(`${GOOD_SITE}about`, context).kind).toBe('page')
    },
  )

  test('an address that leads to a page by a redirect', async () => {
    const context = await contextOf()
    context.pages[0]!.fetch.aliases.push(`${GOOD_SITE}old-home`)
    expect(knownPage(`${GOOD_SITE}old-home`, context)).toMatchObject({
      kind: 'redirect',
      page: { url: context.pages[0]!.url },
    })
  })

  test('a page that answered with an error is not alive', async () => {
    const [page] = (await contextOf()).pages
    expect(isAlive(page!)).toBe(true)
    expect(isAlive({ ...page!, fetch: { ...page!.fetch, status: 404 } })).toBe(false)
    expect(isAlive({ ...page!, fetch: { ...page!.fetch, error: 'timed out' } })).toBe(false)
  })
})
