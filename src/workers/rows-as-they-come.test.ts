import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import { GatheringBuilder } from '@/core/crawl'
import type { Gathering } from '@/core/model'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { judge } from './judge'
import { RowsAsTheyCome } from './rows-as-they-come'

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
  }
}

describe('rows of a run that goes on', () => {
  test('are those of its end, where nothing hangs on what is still to come', async () => {
    const gathering = await gatherMemory(faulty, GOOD_SITE)
    const { take } = begun(gathering)
    expect(await take(gathering.pages, gathering.images)).toEqual((await judge('run', gathering)).rows)
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
})
