import { join } from 'node:path'
import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, describe, expect, test } from 'vitest'
import { filesIn } from '@/cli/testing/files-in'
import { findCauses, overviewOf as overviewIn } from '@/core/cause'
import { createCheckContext, pictureBook, runChecks } from '@/core/check'
import { gatherMemory } from '@/core/testing/build-run'
import { runs } from '@/core/testing/property-runs'
import { database, type StoredOverview } from './database'
import { bookOf, keepEdits, keepOverview, overviewOf } from './overviews'
import { packBook, packOverview, unpackBook, unpackOverview } from './packed-overview'

/** The demo as it looks from afar. */
async function demoOverview(): Promise<Required<Omit<StoredOverview, 'edits'>>> {
  const files = Object.fromEntries(filesIn(join(process.cwd(), 'demo', 'site')))
  const gathering = await gatherMemory(files, 'https://brasswick.example/')
  const context = createCheckContext(gathering)
  const { pages, findings } = runChecks(gathering, context)
  const causes = findCauses(context, pages, findings)
  return { run: 'demo', causes, overview: overviewIn(context), book: pictureBook(context, pages) }
}

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
})

describe('what a run looks like from afar', () => {
  test('is read as it was kept, with its pictures, and with what drafts may hold of it', async () => {
    const demo = await demoOverview()
    await keepOverview(demo)
    const { book, ...rest } = demo
    expect(await overviewOf('demo')).toEqual(rest)
    expect(await bookOf('demo')).toEqual(book)
    await keepEdits('demo', { x: [['og:title', null]] })
    expect(await overviewOf('demo')).toEqual({ ...rest, edits: { x: [['og:title', null]] } })
    expect(await overviewOf('none')).toBeUndefined()
    expect(await bookOf('none')).toBeUndefined()
  })

  test('of before it was packed is read as it is', async () => {
    const demo = await demoOverview()
    await database.overviews.put(demo)
    expect(await overviewOf('demo')).toEqual(demo)
    expect(await bookOf('demo')).toEqual(demo.book)
    const { book: _book, ...without } = demo
    await database.overviews.put(without)
    expect(await bookOf('demo')).toBeUndefined()
  })

  test('keeps pages in whatever order they come, some of them twice', async () => {
    const { causes, overview, book } = await demoOverview()
    const pages = fc.array(
      fc.nat(30).map((number) => `https://brasswick.example/${number}`),
      { maxLength: 60 },
    )
    fc.assert(
      fc.property(pages, pages, (some, others) => {
        const given = {
          run: 'demo',
          causes: [
            { ...causes[0]!, pages: some },
            { ...causes[1]!, pages: others },
          ],
          overview: { ...overview, pictures: [{ ...overview.pictures[0]!, pages: others }] },
        }
        expect(unpackOverview('demo', packOverview(given))).toEqual(given)
        const uses = some.map((page, at) => ({ page, keys: [others[at] ?? 'og:image'], alt: null, kind: null }))
        const entries = [{ ...book[0]!, uses, contentOf: others }]
        expect(unpackBook(packBook(entries))).toEqual(entries)
      }),
      runs(100),
    )
  })
})
