import { describe, expect, test } from 'vitest'
import { type HeldEvent, refreshList } from '@/core/compare'
import type { Face } from '@/core/surface'
import { wideFeed } from '@/core/testing/places'
import type { StoredComparison } from '@/workers/compare-runs'
import { holdersOf } from './page-holders'
import { mixedFace } from './use-face'
import { countHeld, type Place, refreshInput } from './use-held'

const A = 'https://site.example/a'
const OLD = 'https://site.example/a.html'
const feed = { ...wideFeed, holding: wideFeed.holding! }

const compared: StoredComparison = {
  comparison: {
    fresh: [],
    gone: [],
    moves: new Map(),
    differences: new Map([[A, { tags: [], cards: new Map([['wide-feed', { parts: ['title'] }]]) }]]),
    findings: { came: [], went: [] },
  },
  addresses: {
    before: { pages: [A, 'https://site.example/same'], variants: [[OLD, A]] },
    after: { pages: [A, 'https://site.example/same'], variants: [] },
  },
}

const input = (events: HeldEvent[], scope: 'all' | 'shared' = 'all') =>
  refreshInput(events, new Map([['old', compared]]), 'new', '2026-11-26T00:00:00.000Z', scope)
const addresses = (events: HeldEvent[], scope: 'all' | 'shared' = 'all') =>
  refreshList(input(events, scope), feed).entries.map(({ address, page }) => [address, page])
const launched: HeldEvent = { kind: 'launched', run: 'old', at: '2026-11-20T00:00:00.000Z' }

describe('copies of stored runs', () => {
  test('hang on each address that led to a page in the run they are of', () => {
    expect(addresses([launched])).toEqual([
      [A, A],
      [OLD, A],
    ])
  })

  test('are counted, right or not: all of the launch, and what was posted there besides', () => {
    const shared: HeldEvent = { ...launched, kind: 'shared', surface: 'wide-feed', address: `${A}?x` }
    const twice: HeldEvent = { ...shared, address: A }
    expect(countHeld(input([launched]), 'wide-feed')).toBe(3)
    expect(countHeld(input([launched, shared, twice]), 'wide-feed')).toBe(4)
    expect(countHeld(input([launched, shared, twice]), 'search')).toBe(3)
    expect(countHeld(input([launched, shared, twice], 'shared'), 'wide-feed')).toBe(2)
    expect(countHeld(input([], 'all'), 'wide-feed')).toBe(0)
  })

  test('of a variant that was not known are found by the page it leads to', () => {
    const variant = `${A}?from=letter`
    const shared: HeldEvent = { ...launched, kind: 'shared', surface: 'wide-feed', address: variant }
    expect(addresses([launched, shared], 'shared')).toEqual([[variant, A]])
  })

  test('of a run that was not compared are not known', () => {
    const other: HeldEvent = { ...launched, kind: 'shared', surface: 'wide-feed', address: A, run: 'deleted' }
    expect(refreshList(input([other]), feed)).toMatchObject({ entries: [], unknown: 1 })
  })
})

test('a card of two readings has the text of the one and the picture of the other', () => {
  const face = (title: string, image: string | null) =>
    ({ title, image, layout: image ? 'wide' : 'text', ratio: image ? 2 : null, pictureFault: null }) as Face
  expect(mixedFace(face('new', null), face('old', 'p.png'))).toMatchObject({
    title: 'new',
    image: 'p.png',
    layout: 'wide',
    ratio: 2,
  })
})

test('places by how they stand to a page: one variant that is out of date is enough', () => {
  const place = (id: string, entries: { page: string; state: string }[]) =>
    ({ surface: { id }, list: { entries } }) as unknown as Place
  const places = [
    place('a', [
      { page: A, state: 'done' },
      { page: A, state: 'open' },
    ]),
    place('b', [{ page: A, state: 'asked' }]),
    place('c', [{ page: OLD, state: 'open' }]),
    place('d', [{ page: A, state: 'done' }]),
  ]
  const ids = (of: Place[]) => of.map(({ surface }) => surface.id)
  const { open, asked, right } = holdersOf(places, A)
  expect([ids(open), ids(asked), ids(right)]).toEqual([['a'], ['b'], ['c', 'd']])
})
