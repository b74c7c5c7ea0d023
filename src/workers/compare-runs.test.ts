import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { driftBetween, driftDocument } from '@/core/compare'
import { runDocument } from '@/core/report'
import { gatherMemory, type MemoryBuild } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { putRows, rowsOf } from '@/store/rows'
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
    const expected = driftBetween(runDocument(before), runDocument(after))
    expect(driftDocument((await compareStored('before', 'after')).comparison)).toEqual(expected)
    // By rows of before digests were kept as well.
    for (const run of ['before', 'after'])
      await putRows((await rowsOf(run)).map((row) => ({ ...row, digest: undefined, aliases: undefined })))
    expect(driftDocument((await compareStored('before', 'after')).comparison)).toEqual(expected)
  })

  test('of pages that say the same none is read', async () => {
    await keep('before', goodSite())
    await keep('after', goodSite())
    await keep('edited', edited)
    // As a server gives them: each time under another mark.
    const crawled = await gatherMemory(goodSite(), GOOD_SITE)
    for (const run of ['crawled', 'crawled-again']) {
      const marks = { served: `token of ${run}`, validators: { etag: run, lastModified: null } }
      await storeRun(run, { ...crawled, images: crawled.images.map((image) => ({ ...image, ...marks })) })
    }
    const read = vi.spyOn(database.pages, 'bulkGet')
    const readBy = async (before: string, after: string) => {
      read.mockClear()
      await compareStored(before, after)
      return read.mock.calls.flatMap(([keys]) => keys as unknown as [string, string][])
    }
    expect(await readBy('before', 'after')).toEqual([])
    expect(await readBy('after', 'after')).toEqual([])
    expect(await readBy('crawled', 'crawled-again')).toEqual([])
    // One says something else, the other’s picture is another.
    const other = [ABOUT, `${GOOD_SITE}visit.html`]
    expect(await readBy('before', 'edited')).toEqual(
      ['before', 'edited'].flatMap((run) => other.map((url) => [run, url])),
    )
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
    const expected = { pages: [home!.url, rest[0]!.url], variants: [[`${GOOD_SITE}index.html`, home!.url]] }
    const { addresses, comparison } = await compareStored('one', 'one')
    expect(addresses).toEqual({ before: expected, after: expected })
    expect(comparison.differences.size).toBe(0)
    await putRows((await rowsOf('one')).map((row) => ({ ...row, digest: undefined, aliases: undefined })))
    expect((await compareStored('one', 'one')).addresses).toEqual({ before: expected, after: expected })
  })

  test('a run that is gone is said', async () => {
    await keep('before', goodSite())
    await expect(compareStored('before', 'after')).rejects.toThrow('not in this browser any more')
  })
})
