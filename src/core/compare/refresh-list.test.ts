import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { assumed, type CardPart } from '../surface'
import { wideFeed } from '../testing/places'
import { runs } from '../testing/property-runs'
import { type HeldEvent, type Holder, heldCopies } from './held-copies'
import type { PageDifference } from './page-difference'
import { type RefreshInput, refreshList, type SinceRun } from './refresh-list'

const feed = wideFeed as Holder
const A = 'https://site.example/a'
const B = 'https://site.example/b'
const day = (count: number) => new Date(Date.UTC(2026, 10, 1) + count * 86_400_000).toISOString()

/** The card of the wide feed differs in these parts; the picture's address stays or not. */
const differs = (parts: CardPart[], sameAddress = false): PageDifference => ({
  tags: [],
  cards: new Map([
    [
      'wide-feed',
      {
        parts,
        ...(parts.includes('image')
          ? { image: { before: 'p', after: sameAddress ? 'p' : 'q', sameAddress, samePicture: false } }
          : {}),
      },
    ],
  ]),
})

const since = (
  differences: Record<string, PageDifference>,
  gone: string[] = [],
  moves: [string, string][] = [],
): SinceRun => ({
  gone: new Set(gone),
  moves: new Map(moves),
  differences: new Map(Object.entries(differences)),
})

const launch: HeldEvent = { kind: 'launched', run: 'old', at: day(0) }
const ask = (address: string, at: number, renewed: boolean): HeldEvent => ({
  kind: 'asked',
  surface: 'wide-feed',
  address,
  run: 'new',
  at: day(at),
  renewed,
})

const input = (known: SinceRun, change: Partial<RefreshInput> = {}): RefreshInput => ({
  events: [launch],
  scope: 'all',
  now: 'new',
  nowAt: day(3),
  addressesOf: (run) => (run === 'old' ? [A, B] : []),
  pageForAddress: (address) => address.split('?')[0]!,
  since: (run) => (run === 'old' ? known : null),
  ...change,
})
const brief = (given: RefreshInput, holder = feed) =>
  refreshList(given, holder).entries.map(({ address, reason, state }) => [address, reason, state])

describe('copies that an edit outdates', () => {
  test('are those whose card differs', () => {
    const list = refreshList(input(since({ [A]: differs(['title']) })), feed)
    expect(list).toEqual({
      entries: [
        {
          address: A,
          page: A,
          reason: 'text',
          movedTo: null,
          held: { run: 'old', at: day(0) },
          expiresAt: day(30),
          state: 'open',
          askedAt: null,
        },
      ],
      lapsed: 0,
      unknown: 0,
    })
  })

  test('lapse after the days that the place holds them, but for a picture under the same address', () => {
    const known = since({ [A]: differs(['title']), [B]: differs(['image'], true) })
    const early = input(known, { nowAt: day(30) })
    expect(brief(early)).toEqual([
      [B, 'picture-under-same-address', 'open'],
      [A, 'text', 'open'],
    ])
    const late = refreshList(input(known, { nowAt: day(31) }), feed)
    expect(late.lapsed).toBe(1)
    expect(late.entries).toMatchObject([{ address: B, expiresAt: null }])
    const renewing = { ...feed, holding: { ...feed.holding, samePictureAddress: assumed('renewed' as const) } }
    expect(refreshList(input(known, { nowAt: day(31) }), renewing)).toMatchObject({ entries: [], lapsed: 2 })
  })

  test('a page that went is shown until its copy lapses', () => {
    expect(brief(input(since({}, [A])))).toEqual([[A, 'removed', 'open']])
    const { entries } = refreshList(input(since({}, [A, B], [[A, `${A}/new`]])), feed)
    expect(entries.map(({ movedTo }) => movedTo)).toEqual([`${A}/new`, null])
  })

  test('each variant of an address is a copy of its own', () => {
    const variants = input(since({ [A]: differs(['title']) }), { addressesOf: () => [A, `${A}?old`] })
    expect(brief(variants)).toEqual([
      [A, 'text', 'open'],
      [`${A}?old`, 'text', 'open'],
    ])
  })

  test('a reading whose run is gone is counted as unknown, never taken for right', () => {
    expect(refreshList(input(since({}), { since: () => null }), feed)).toMatchObject({ entries: [], unknown: 2 })
  })
})

describe('asking again', () => {
  const known = since({ [A]: differs(['title', 'image'], true) })

  test('ticks an address off, and it stays on the list as done', () => {
    const list = refreshList(input(known, { events: [launch, ask(A, 2, true)] }), feed)
    expect(list.entries).toMatchObject([{ address: A, state: 'done', askedAt: day(2) }])
  })

  test('in vain leaves it asked for', () => {
    expect(brief(input(known, { events: [launch, ask(A, 2, false)] }))).toEqual([[A, 'text', 'asked']])
  })

  test('keeps an address on the list, though its copy would have lapsed by now', () => {
    const list = refreshList(input(known, { events: [launch, ask(A, 2, true)], nowAt: day(60) }), feed)
    expect(list.entries).toMatchObject([{ address: A, state: 'done' }])
    expect(list.lapsed).toBe(0)
  })

  test('of another place changes nothing here', () => {
    const other = { ...ask(A, 2, true), surface: 'work-feed' } as HeldEvent
    expect(brief(input(known, { events: [launch, other] }))).toEqual([[A, 'text', 'open']])
  })

  test('renews text alone at some places: the picture is asked for once more', () => {
    const slow = { ...feed, holding: { ...feed.holding, askingRenews: assumed('text' as const) } }
    const once = input(known, { events: [launch, ask(A, 1, true)] })
    expect(brief(once, slow)).toEqual([[A, 'picture-under-same-address', 'asked']])
    expect(brief(input(known, { events: [launch, ask(A, 1, true), ask(A, 2, true)] }), slow)).toEqual([
      [A, 'text', 'done'],
    ])
  })

  test('what was renewed in an earlier run is out of date again when the page changes again', () => {
    const again = { ...ask(A, 1, true), run: 'middle' } as HeldEvent
    const given = input(known, {
      events: [launch, again],
      since: (run) => since(run === 'middle' ? { [A]: differs(['title']) } : {}),
    })
    expect(refreshList(given, feed).entries).toMatchObject([{ address: A, held: { run: 'middle', at: day(1) } }])
  })
})

describe('what is held', () => {
  const shared: HeldEvent = { kind: 'shared', surface: 'wide-feed', address: A, run: 'new', at: day(5) }
  const copies = (events: HeldEvent[], scope: 'all' | 'shared' = 'all') =>
    heldCopies(events, feed, scope, (run) => (run === 'old' ? [A, B] : [A]))

  test('a launch does not renew what is held already; new pages are read then', () => {
    const held = copies([{ kind: 'launched', run: 'new', at: day(10) }, launch])
    expect([...held.values()].map(({ address, text }) => [address, text.run])).toEqual([
      [A, 'old'],
      [B, 'old'],
    ])
    expect(copies([launch, { kind: 'launched', run: 'new', at: day(31) }]).get(A)!.text.run).toBe('new')
  })

  test('of what was shared alone, only that counts', () => {
    expect([...copies([launch, shared], 'shared').keys()]).toEqual([A])
    expect(copies([launch, shared], 'shared').get(A)!.text).toEqual({ run: 'new', at: day(5) })
    expect(copies([launch, shared]).get(A)!.text).toEqual({ run: 'old', at: day(0) })
  })

  test('the order in which events are told does not matter', () => {
    const events: HeldEvent[] = [launch, shared, ask(A, 6, false), ask(B, 7, true), ask(A, 40, true)]
    const expected = copies(events)
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
        expect(copies(shuffled)).toEqual(expected)
      }),
      runs(100),
    )
  })
})
