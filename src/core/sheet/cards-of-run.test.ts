import { describe, expect, test } from 'vitest'
import { cardOf } from '../surface'
import { surfaceOf, surfaces, wideFeed } from '../testing/places'
import { context as contextOf, image, testPage } from '../testing/test-page'
import { changedCards, type DrawnRun, MAX_ON_SHEET, sheetOfChanged, sheetOfRun } from './cards-of-run'
import { facesNeeded } from './font-faces'

const PICTURE = 'https://site.example/lamp.jpg'
const feedReply = surfaceOf('feed-reply')!
const context = contextOf([image(PICTURE), image('https://site.example/other.jpg')])

/** A run of pages whose titles and pictures are given by their paths. */
function run(
  pages: Record<string, { title: string; picture?: string }>,
  hashes: Record<string, string> = {},
  site = 'https://site.example/',
): DrawnRun {
  return {
    startedAt: '2026-11-27T10:00:00Z',
    source: { site },
    pages: Object.entries(pages).map(([path, { title, picture = PICTURE }]) => {
      const page = testPage(
        `<title>${title}</title><meta property="og:title" content="${title}"><meta property="og:image" content="${picture}">`,
      )
      const cards = Object.fromEntries(surfaces.map((surface) => [surface.id, cardOf(page, surface, context)]))
      return { url: new URL(path, site).href, cards }
    }),
    images: Object.entries(hashes).map(([url, hash]) => ({ url, hash })),
  }
}
const key = (url: string) => url
const texts = ({ drawing }: ReturnType<typeof sheetOfRun>) =>
  drawing.steps.flatMap((step) => (step.kind === 'text' ? [step.text] : []))

describe('cards of a run on a sheet', () => {
  const two = run({ '/a': { title: 'Lamp' }, '/b': { title: 'Kettle' } })

  test('one page is named once, and each place over its card', () => {
    const sheet = sheetOfRun(two, two.pages.slice(0, 1), surfaces, key)
    expect(sheet).toMatchObject({ cards: surfaces.length, left: 0 })
    expect(texts(sheet).slice(0, 2)).toEqual(['/a', 'site.example, 27 November 2026, 10:00 UTC'])
    for (const { name } of surfaces) expect(texts(sheet)).toContain(name)
  })

  test('several pages are named over their cards, and the place once', () => {
    const sheet = sheetOfRun(two, two.pages, [wideFeed], key)
    expect(texts(sheet)).toEqual(
      expect.arrayContaining(['site.example', 'Wide feed, 27 November 2026, 10:00 UTC', '/a', '/b', 'Lamp', 'Kettle']),
    )
  })

  test('what has no room is counted, and said on the sheet', () => {
    const many = run(Object.fromEntries(Array.from({ length: 70 }, (_, n) => [`/${n}`, { title: `Page ${n}` }])))
    const sheet = sheetOfRun(many, many.pages, [wideFeed], key)
    expect(sheet).toMatchObject({ cards: MAX_ON_SHEET, left: 10 })
    expect(texts(sheet)[1]).toContain('the first 60 of 70 cards')
  })
})

describe('cards that changed', () => {
  const before = run({ '/a': { title: 'Lamp' }, '/b': { title: 'Kettle' }, '/c': { title: 'Zip' } })

  test('are those of pages that show something else, one place for all', () => {
    const after = run({ '/a': { title: 'Lamp' }, '/b': { title: 'A kettle' }, '/d': { title: 'New' } })
    const changed = changedCards(before, after, surfaces)
    expect(changed.map(({ path, surface }) => [path, surface.id])).toEqual([
      ['/b', 'wide-feed'],
      ['/d', 'wide-feed'],
      ['/c', 'wide-feed'],
    ])
    const [other, fresh, gone] = changed
    expect([...other!.marked]).toEqual(['title'])
    expect(other!.others).toBe(surfaces.length - 1)
    expect([fresh!.before, gone!.after]).toEqual([null, null])
    const sheet = sheetOfChanged(before, after, changed, (side, url) => `${side} ${url}`)
    expect(texts(sheet)[1]).toBe('3 changed cards: 27 November 2026, 10:00 UTC and 27 November 2026, 10:00 UTC')
    expect(texts(sheet)).toEqual(expect.arrayContaining(['before: no such page', 'now: no such page', 'A kettle']))
  })

  test('are each named where places were asked for', () => {
    const after = run({ '/a': { title: 'A lamp' }, '/b': { title: 'Kettle' }, '/c': { title: 'Zip' } })
    expect(changedCards(before, after, [wideFeed, feedReply], true).map(({ surface }) => surface.id)).toEqual([
      'wide-feed',
      'feed-reply',
    ])
  })

  test('a picture counts by what it shows: another file under one address, and one file under two', () => {
    const other = 'https://site.example/other.jpg'
    const page = (picture: string, hash: string) => run({ '/a': { title: 'Lamp', picture } }, { [picture]: hash })
    const parts = (was: DrawnRun, is: DrawnRun) => changedCards(was, is, [wideFeed]).map(({ marked }) => [...marked])
    expect(parts(page(PICTURE, 'x'), page(PICTURE, 'y'))).toEqual([['image']])
    expect(parts(page(PICTURE, 'x'), page(other, 'x'))).toEqual([])
    expect(parts(page(PICTURE, 'x'), page(other, 'y'))).toEqual([['image']])
  })

  test('staging and production are matched by path', () => {
    const live = run({ '/b': { title: 'A kettle' } }, {}, 'https://live.example/')
    const paths = changedCards(before, live, [wideFeed]).map(({ path, before: was, after: is }) => [path, !!was, !!is])
    expect(paths).toEqual([
      ['/b', true, true],
      ['/a', true, false],
      ['/c', true, false],
    ])
  })
})

test('only parts of the face come along that its letters are in', () => {
  const parts = [
    { subset: 'latin', weight: 400, ranges: 'U+0000-00FF,U+2026' },
    { subset: 'latin', weight: 600, ranges: 'U+0000-00FF' },
    { subset: 'greek', weight: 400, ranges: 'U+0370-03FF' },
  ]
  const line = (text: string, weight: 400 | 600 | 700) => ({
    widthPx: 1,
    heightPx: 1,
    steps: [{ kind: 'text' as const, x: 0, baseline: 0, text, sizePx: 13, weight, ink: 'ink' as const }],
  })
  const named = (text: string, weight: 400 | 600 | 700) =>
    facesNeeded(line(text, weight), parts).map(({ subset, weight: of }) => `${subset} ${of}`)
  expect(named('Lamp…', 400)).toEqual(['latin 400'])
  expect(named('λάμπα', 400)).toEqual(['greek 400'])
  expect(named('λ a', 400)).toEqual(['latin 400', 'greek 400'])
  expect(named('Lamp', 600)).toEqual(['latin 600'])
  expect(named('日本', 400)).toEqual([])
})
