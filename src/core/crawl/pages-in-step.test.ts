import { expect, test } from 'vitest'
import type { GatheredPage } from '../model'
import { memoryFiles, testOutside } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import type { CrawlEvent } from './events'
import { gatherBuild } from './gather-build'
import { PagesInStep, TOLD_AT_ONCE } from './pages-in-step'

const pages = Array.from({ length: 600 }, (_, index) => ({ url: `${GOOD_SITE}${index}` }) as GatheredPage)
const told = (events: Iterable<CrawlEvent>) =>
  [...events].flatMap((event) => (event.kind === 'page' ? [event.page.url] : []))
const urls = (from: number, to: number) => pages.slice(from, to).map(({ url }) => url)

test('pages are told of in their order, as far as their pictures are there', () => {
  const there = new Set([0, 1, 3])
  const telling = new PagesInStep(
    pages,
    (index) => there.has(index),
    () => new Date(0),
  )
  expect(told(telling.due())).toEqual(urls(0, 2))
  expect(told(telling.due())).toEqual([])
  there.add(2)
  expect(told(telling.due())).toEqual(urls(2, 4))
  expect(told(telling.rest())).toEqual(urls(4, 600))
  expect(told(telling.rest())).toEqual([])
})

test('what is left is counted with every page', () => {
  const telling = new PagesInStep(
    pages.slice(0, 2),
    () => true,
    () => new Date(0),
  )
  expect([...telling.due()].filter(({ kind }) => kind === 'progress')).toEqual([
    { kind: 'progress', done: 1, waiting: 1, fetching: [] },
    { kind: 'progress', done: 2, waiting: 0, fetching: [] },
  ])
})

test('after half a second pages wait no longer for pictures that are slow to come', () => {
  let ms = 0
  const telling = new PagesInStep(
    pages,
    () => false,
    () => new Date(ms),
  )
  ms = 400
  expect(told(telling.due())).toEqual([])
  ms = 501
  expect(told(telling.due())).toEqual(urls(0, TOLD_AT_ONCE))
  expect(told(telling.due())).toEqual([])
  ms = 1002
  expect(told(telling.due())).toEqual(urls(TOLD_AT_ONCE, 2 * TOLD_AT_ONCE))
})

test('of a build each page comes after the pictures of the build that it names, before most of the others', async () => {
  const named = Array.from({ length: 60 }, (_, index) => `P${index}`)
  const files = goodSite(
    Object.fromEntries(
      named.flatMap((name) => [
        [`${name}.html`, goodPage(`${name}.html`, name)],
        [`img/${name}.png`, pngBytes(1200, 630)],
      ]),
    ),
  )
  const options = { kind: 'folder' as const, location: 'memory', site: GOOD_SITE, maxPages: null, concurrency: 4 }
  const seen = new Set<string>()
  const before: number[] = []
  for await (const event of gatherBuild(memoryFiles(files), options, testOutside())) {
    if (event.kind === 'image') seen.add(event.image.url)
    if (event.kind !== 'page' || !/\/P\d+\.html$/.test(event.page.url)) continue
    const name = /P\d+/.exec(event.page.url)![0]
    expect(seen).toContain(`${GOOD_SITE}img/${name}.png`)
    before.push(seen.size)
  }
  expect(before).toHaveLength(60)
  expect(before[0]).toBeLessThan(30)
})
