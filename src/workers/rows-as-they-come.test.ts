import { join } from 'node:path'
import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, describe, expect, test } from 'vitest'
import { filesIn } from '@/cli/testing/files-in'
import { GatheringBuilder } from '@/core/crawl'
import type { Gathering } from '@/core/model'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '@/core/testing/good-site'
import { patience, runs } from '@/core/testing/property-runs'
import { database, type WallRow } from '@/store/database'
import { deleteRows, putRows, roomOfRows, rowsOf } from '@/store/rows'
import { judge } from './judge'
import { RowsAsTheyCome } from './rows-as-they-come'

/** The demo site, which has every kind of trouble. */
const DEMO = join(process.cwd(), 'demo', 'site')
const DEMO_SITE = 'https://brasswick.example/'

beforeEach(() => database.requirements.clear())

const ABOUT = `${GOOD_SITE}about.html`
const faulty = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }) })

/** A run that has begun, and what takes its pages. */
function begun({ source, startedAt, view, robotsTxt, scope }: Gathering) {
  const builder = new GatheringBuilder()
  builder.add({ kind: 'started', source, startedAt, view, robotsTxt, scope })
  const rows = new RowsAsTheyCome('run', builder)
  return {
    take: async (pages: Gathering['pages'], images: Gathering['images'] = []) => {
      for (const page of pages) builder.add({ kind: 'page', page })
      for (const image of images) builder.add({ kind: 'image', image })
      return rows.rowsOf(pages, images)
    },
    end: (gathering: Gathering) => rows.end(gathering),
  }
}

describe('rows of a run that goes on', () => {
  test('are those of its end, where nothing hangs on what is still to come', async () => {
    const gathering = await gatherMemory(faulty, GOOD_SITE)
    const { take, end } = begun(gathering)
    const { rows, verdict } = await judge('run', gathering)
    expect(await take(gathering.pages, gathering.images)).toEqual(rows)
    expect(await end(gathering)).toEqual({ verdict, changed: [] })
  })

  test(
    'in the end are those of the whole run, in whatever order and batches pages and pictures came',
    async () => {
      const gathering = await gatherMemory(Object.fromEntries(filesIn(DEMO)), DEMO_SITE)
      const { rows, verdict } = await judge('run', gathering)
      const { pages, images } = gathering
      const all = [...pages.keys(), ...[...images.keys()].map((index) => -1 - index)]
      const shuffled = fc.shuffledSubarray(all, { minLength: all.length })
      // Pages in their order, as those of a build, with each picture before any of them or after the last.
      const places = fc.array(fc.nat(pages.length), { minLength: images.length, maxLength: images.length })
      const inOrder = places.map((at) =>
        [...pages.keys(), pages.length].flatMap((page) => [
          ...at.flatMap((place, index) => (place === page ? [-1 - index] : [])),
          ...(page < pages.length ? [page] : []),
        ]),
      )
      const came = fc.oneof(inOrder, shuffled)
      await fc.assert(
        fc.asyncProperty(came, fc.integer({ min: 1, max: 60 }), async (order, batch) => {
          const { take, end } = begun(gathering)
          await deleteRows('run')
          let room = 0
          const keep = async (made: readonly WallRow[]) => {
            room += await putRows(made)
          }
          for (let from = 0; from < order.length; from += batch) {
            const part = order.slice(from, from + batch)
            const pages = part.flatMap((index) => gathering.pages[index] ?? [])
            await keep(
              await take(
                pages,
                part.flatMap((index) => gathering.images[-1 - index] ?? []),
              ),
            )
          }
          const ended = await end(gathering)
          await keep(ended.changed)
          expect(await rowsOf('run')).toEqual(rows)
          expect(ended.verdict).toEqual(verdict)
          expect(room).toBe(await roomOfRows('run'))
        }),
        runs(16),
      )
    },
    patience(120_000),
  )

  test('a row changes at the end where something was said of the page that only the whole run tells', async () => {
    const gone = { canonical: `<link rel="canonical" href="${GOOD_SITE}gone.html">` }
    const gathering = await gatherMemory(goodSite({ 'about.html': goodPage('about.html', 'Ferns', gone) }), GOOD_SITE)
    const { take, end } = begun(gathering)
    const rulesIn = (rows: readonly WallRow[]) =>
      rows.find(({ url }) => url === ABOUT)?.findings.map(({ rule }) => rule)
    const come = await take(
      gathering.pages.filter(({ file }) => file !== null),
      gathering.images,
    )
    expect(rulesIn(come)).not.toContain('address-dead')
    await take(gathering.pages.filter(({ file }) => file === null))
    const { changed } = await end(gathering)
    expect(changed.map(({ url }) => url)).toEqual([ABOUT])
    expect(rulesIn(changed)).toContain('address-dead')
  })

  test('of more pages than are judged again at once, those left have their picture at the end', async () => {
    const pages = Array.from({ length: 300 }, (_, index) => `p${index}.html`)
    const shared = { 'og:image': `<meta property="og:image" content="${GOOD_SITE}img/shared.png">` }
    const files = Object.fromEntries(pages.map((path, index) => [path, goodPage(path, `P ${index}`, shared)]))
    const gathering = await gatherMemory({ ...files, 'img/shared.png': pngBytes(1200, 630) }, GOOD_SITE)
    const { take, end } = begun(gathering)
    await take(gathering.pages)
    expect(await take([], gathering.images)).toHaveLength(250)
    const { changed } = await end(gathering)
    const late = changed.filter(({ faces }) => faces['wide-feed']?.image !== null)
    expect(late.length).toBeGreaterThanOrEqual(50)
    const { rows } = await judge('run', gathering)
    expect(changed).toEqual(rows.filter(({ url }) => changed.some((row) => row.url === url)))
  })

  test('say what the requirements ask', async () => {
    const gathering = await gatherMemory(faulty, GOOD_SITE)
    const rulesOfAbout = async () => {
      const rows = await begun(gathering).take(gathering.pages, gathering.images)
      return rows.find(({ url }) => url === ABOUT)!.findings.map(({ rule }) => rule)
    }
    expect(await rulesOfAbout()).toEqual(['card-missing'])
    await database.requirements.put({ site: GOOD_SITE, requirements: { levels: { 'card-missing': 'off' } } })
    expect(await rulesOfAbout()).toEqual([])
  })

  test('a page is judged again when its picture has come, once, and keeps its place', async () => {
    const gathering = await gatherMemory(goodSite({ 'img/Ferns.png': pngBytes(120, 80) }), GOOD_SITE)
    const { take } = begun(gathering)
    const first = (await take(gathering.pages)).find(({ url }) => url === ABOUT)!
    expect(first.findings.map(({ rule }) => rule)).not.toContain('image-below-minimum')
    expect(first.faces['wide-feed']!.image).not.toBeNull()
    const again = await take([], gathering.images)
    const second = again.find(({ url }) => url === ABOUT)!
    expect(second.order).toBe(first.order)
    expect(second.findings.map(({ rule }) => rule)).toContain('image-below-minimum')
    expect(await take([], gathering.images)).toEqual([])
  })

  test('of a page of a large run: its section is found, and an address that may still come is not called dead', async () => {
    const files = Object.fromEntries(
      Array.from({ length: 1300 }, (_, index) => [
        `s${index % 3}/p${index}.html`,
        goodPage(`s${index % 3}/p${index}.html`, `P ${index}`),
      ]),
    )
    const gathering = await gatherMemory(files, GOOD_SITE)
    const { take } = begun(gathering)
    await take(gathering.pages.slice(0, 1100))
    const rows = await take(gathering.pages.slice(1100), gathering.images)
    const ends = new Map((await judge('run', gathering)).rows.map((row) => [row.url, row]))
    const late = rows.slice(0, gathering.pages.length - 1100).filter(({ path }) => path.startsWith('/s'))
    expect(late.length).toBeGreaterThan(100)
    for (const row of late) {
      expect(row.section).toBe(ends.get(row.url)!.section)
      expect(row.order).toBe(ends.get(row.url)!.order)
      expect(row.findings.map(({ rule }) => rule)).not.toContain('address-dead')
    }
  })

  test('of a large run: pages of a folder that comes last go to its section, from the fifth on', async () => {
    const paths = [
      ...Array.from({ length: 1100 }, (_, index) => `a/p${index}.html`),
      ...Array.from({ length: 60 }, (_, index) => `z/p${index}.html`),
    ]
    const files = Object.fromEntries(paths.map((path, index) => [path, goodPage(path, `P ${index}`)]))
    const gathering = await gatherMemory(files, GOOD_SITE)
    const { take } = begun(gathering)
    const isLast = ({ url }: { url: string }) => url.startsWith(`${GOOD_SITE}z/`)
    await take(gathering.pages.filter((page) => !isLast(page)))
    const rows = await take(gathering.pages.filter(isLast))
    const end = (await judge('run', gathering)).rows.find(isLast)!
    expect(rows.map(({ section }) => section)).toEqual([...Array(4).fill('/'), ...Array(56).fill(end.section)])
  })
})
