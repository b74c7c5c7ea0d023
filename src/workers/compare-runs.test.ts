import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import { driftBetween, driftDocument } from '@/core/compare'
import { runDocument } from '@/core/report'
import { gatherMemory, type MemoryBuild } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { compareStored } from './compare-runs'
import { storeRun } from './testing/store-run'

const edited = goodSite({
  'about.html': goodPage('about.html', 'Ferns', { 'og:title': '<meta property="og:title" content="Ferns again">' }),
  'img/Mosses.png': pngBytes(1200, 630, 90_000),
})
const { 'visit.html': _visit, ...shrunk } = edited

async function keep(id: string, files: MemoryBuild) {
  const gathering = await gatherMemory(files, GOOD_SITE)
  await storeRun(id, gathering)
  return gathering
}

const ABOUT = `${GOOD_SITE}about.html`

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
})

describe('two stored runs', () => {
  test.each([
    ['an edit', edited],
    ['a page less', shrunk],
    ['nothing', goodSite()],
  ])('are held against each other as their documents are: %s', async (_name, files) => {
    const before = await keep('before', goodSite())
    const after = await keep('after', files)
    const { comparison } = await compareStored('before', 'after')
    expect(driftDocument(comparison)).toEqual(driftBetween(runDocument(before), runDocument(after)))
  })

  test('pages that say the same are passed over only where pictures and robots.txt are the same too', async () => {
    await keep('before', goodSite())
    const closed = 'User-agent: facebookexternalhit\nDisallow: /about.html\n'
    await storeRun('after', { ...(await gatherMemory(goodSite(), GOOD_SITE)), robotsTxt: closed })
    const { comparison } = await compareStored('before', 'after')
    expect([...comparison.differences.keys()]).toEqual([ABOUT])
    expect(comparison.differences.get(ABOUT)!.cards.get('wide-feed')!.parts).toContain('layout')
  })

  test('what an answer says to crawlers counts beside what the page says', async () => {
    await keep('before', goodSite())
    const gathering = await gatherMemory(goodSite(), GOOD_SITE)
    const closed = (page: (typeof gathering.pages)[number]) =>
      page.url === ABOUT ? { ...page, fetch: { ...page.fetch, robotsHeader: 'noindex' } } : page
    await storeRun('after', { ...gathering, pages: gathering.pages.map(closed) })
    const { differences } = (await compareStored('before', 'after')).comparison
    expect([...differences].map(([url, { cards }]) => [url, [...cards.keys()]])).toEqual([[ABOUT, ['search']]])
  })

  test('addresses that lead to a page come with it; pages that were not read have none', async () => {
    const gathering = await gatherMemory(goodSite(), GOOD_SITE)
    const [home, about, ...rest] = gathering.pages
    const pages = [
      { ...home!, fetch: { ...home!.fetch, aliases: [`${GOOD_SITE}index.html`] } },
      { ...about!, facts: null },
      ...rest,
    ]
    await storeRun('one', { ...gathering, pages })
    const { addresses, comparison } = await compareStored('one', 'one')
    expect(addresses.before).toEqual({
      pages: [home!.url, rest[0]!.url],
      variants: [[`${GOOD_SITE}index.html`, home!.url]],
    })
    expect(addresses.after).toEqual(addresses.before)
    expect(comparison.differences.size).toBe(0)
  })

  test('a run that is gone is said', async () => {
    await keep('before', goodSite())
    await expect(compareStored('before', 'after')).rejects.toThrow('not in this browser any more')
  })
})
