import { describe, expect, test } from 'vitest'
import type { Face, Trait } from '@/core/surface'
import { surfaces } from '@/core/testing/places'
import type { WallRow } from '@/store/database'
import { ticksOf } from '../../features/wall/tick-strip'
import { changesOf } from '../../features/wall/use-changes'
import { digitOfCode, keyOfSurface, surfaceOfKey } from '../surface/surface-keys'
import { type RouteState, symptoms } from '../view/view'
import {
  badgeOf,
  countSymptoms,
  countWithin,
  groupSections,
  prepareWall,
  rowsAs,
  selectRows,
  withChanges,
} from './select-rows'

const face = (image: string | null, traits: Trait[], title: string): Face => ({
  layout: 'wide',
  title,
  description: '',
  siteLine: null,
  image,
  ratio: 1.91,
  favicon: null,
  bareBecause: null,
  pictureFault: null,
  labels: [],
  themeColor: null,
  rich: null,
  traits,
})

type Shape = { errors?: number; warnings?: number; image?: string; traits?: Trait[]; section?: string; title?: string }

const row = (path: string, order: number, shape: Shape = {}): WallRow => ({
  run: 'r',
  url: `https://site.example${path}`,
  path,
  order,
  section: shape.section ?? '/',
  status: 200,
  levels: { error: shape.errors ?? 0, warning: shape.warnings ?? 0, note: 0 },
  findings: [],
  faces: { 'wide-feed': face(shape.image ?? null, shape.traits ?? [], shape.title ?? path) },
})

const rows = [
  row('/c', 0, { image: 'same' }),
  row('/a', 1, { image: 'same', warnings: 2, traits: ['fell-back'] }),
  row('/b', 2, { image: 'same', errors: 1, traits: ['fell-back'], section: '/b/*' }),
  row('/d', 3, { image: 'own', warnings: 1, title: 'Rewire a Lamp' }),
]

const view = (over: Partial<RouteState> = {}) => ({
  surface: 'wide-feed',
  section: null,
  symptoms: [],
  search: '',
  sort: 'worst' as const,
  ...over,
})
const paths = (over: Partial<RouteState>) => selectRows(rows, view(over)).map(({ path }) => path)

describe('selectRows', () => {
  test('errors first, then warnings, then as found', () => {
    expect(paths({})).toEqual(['/b', '/a', '/d', '/c'])
    expect(paths({ sort: 'address' })).toEqual(['/a', '/b', '/c', '/d'])
    expect(paths({ sort: 'found' })).toEqual(['/c', '/a', '/b', '/d'])
  })

  test('symptoms combine', () => {
    expect(paths({ symptoms: ['fell-back'] })).toEqual(['/b', '/a'])
    expect(paths({ symptoms: ['fell-back', 'errors'] })).toEqual(['/b'])
    expect(paths({ symptoms: ['same-picture'], sort: 'found' })).toEqual(['/c', '/a', '/b'])
  })

  test('words of a search are found in address and card, in any order and case', () => {
    expect(paths({ search: 'lamp REWIRE' })).toEqual(['/d'])
    expect(paths({ search: 'lamp chair' })).toEqual([])
  })

  test('a section narrows', () => {
    expect(paths({ section: '/b/*' })).toEqual(['/b'])
  })
})

test('a picture on two cards is not yet the same picture everywhere', () => {
  expect(countSymptoms(rows.slice(0, 2), 'wide-feed', ['same-picture'])).toEqual({ 'same-picture': 0 })
  expect(countSymptoms(rows, 'wide-feed', ['same-picture', 'errors'])).toEqual({ 'same-picture': 3, errors: 1 })
})

test('counts follow what is chosen: each is what the wall would show with it', () => {
  const narrowings = [
    view(),
    view({ section: '/a/*' }),
    view({ search: 'a' }),
    view({ symptoms: ['errors'] }),
    view({ symptoms: ['same-picture'], search: '1' }),
    view({ symptoms: ['same-picture', 'text-cut'] }),
  ]
  for (const narrowing of narrowings) {
    const counts = countWithin([...rows], narrowing, symptoms)
    expect(counts.all).toBe(selectRows(rows, { ...narrowing, symptoms: [] }).length)
    for (const symptom of symptoms) {
      const shown = selectRows(rows, { ...narrowing, symptoms: [...narrowing.symptoms, symptom] })
      expect(counts[symptom], symptom).toBe(shown.length)
    }
  }
})

test('the home page, then sections with several pages, then pages that stand alone', () => {
  const list = groupSections([
    row('/visit', 3, { section: '/visit' }),
    row('/', 0),
    row('/a/1', 1, { section: '/a/*' }),
    row('/a/2', 2, { section: '/a/*' }),
  ])
  expect(list.map(({ section, rows: inside }) => [section, inside.length])).toEqual([
    ['/', 1],
    ['/a/*', 2],
    ['/visit', 1],
  ])
})

test('what is worked out before a wall is drawn is what it is drawn from, a task for each', async () => {
  const many = [...rows]
  let rests = 0
  await prepareWall(many, view(), async () => void rests++)
  expect(rests).toBe(3)
  const [groups, counts] = [groupSections(many), countSymptoms(many, 'wide-feed', symptoms)]
  expect(groups).toEqual(groupSections([...rows]))
  expect(counts).toEqual(countSymptoms([...rows], 'wide-feed', symptoms))
  // Asked for again they are the very ones.
  expect(groupSections(many)).toBe(groups)
  expect(countSymptoms(many, 'wide-feed', symptoms)).toBe(counts)
  expect(selectRows(many, view())).toBe(selectRows(many, view()))
})

test('a tick stands for one page, or for the worst of several', () => {
  expect(ticksOf(rows, 10)).toHaveLength(4)
  const binned = ticksOf(rows, 2)
  expect(binned.map(({ worst, rows: inside }) => [worst.path, inside.length])).toEqual([
    ['/a', 2],
    ['/b', 2],
  ])
})

test('the word under a card', () => {
  expect(badgeOf(rows[0]!, 'wide-feed')).toEqual({ level: 'clear', text: 'clear' })
  expect(badgeOf(rows[1]!, 'wide-feed')).toEqual({ level: 'note', text: 'fell back' })
  const finding = { rule: 'image-heavy', level: 'warning' as const, said: 'x', line: null, column: null }
  expect(badgeOf({ ...rows[1]!, findings: [finding] }, 'wide-feed')).toEqual({
    level: 'warning',
    text: 'heavy picture',
  })
})

describe('keys of surfaces', () => {
  test('1 to 9 and 0 choose the ten, in their order, and nothing else does', () => {
    expect(Array.from({ length: 11 }, (_, index) => keyOfSurface(index))).toEqual([...'1234567890', null])
    expect(['1', '9', '0'].map((key) => surfaceOfKey(key, surfaces)?.id)).toEqual(['wide-feed', 'search', 'tab'])
    // An eleventh has none, and takes none away.
    const eleven = [...surfaces, { ...surfaces[0]!, id: 'noticeboard' }]
    expect([...'1234567890'].map((key) => surfaceOfKey(key, eleven))).toEqual(surfaces)
    expect(['a', '', '10', ' ', 'F1'].map((key) => surfaceOfKey(key, surfaces))).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ])
    expect([digitOfCode('Digit0'), digitOfCode('KeyA')]).toEqual(['0', null])
  })
})

describe('as it stands and as launched', () => {
  const own = row('/x', 0, { title: 'As launched' })
  const bare = { ...face(null, ['bare'], '/x'), layout: 'bare' as const }
  const differing = { ...own, otherFaces: { 'wide-feed': bare } }

  test('only cards that differ change, and only on the other side', () => {
    expect(rowsAs([differing], false)[0]!.faces['wide-feed']!.layout).toBe('wide')
    expect(rowsAs([differing], true)[0]!.faces['wide-feed']!.layout).toBe('bare')
    expect(rowsAs([own], true)[0]).toBe(own)
  })
})

describe('what changed since the baseline', () => {
  const changes = changesOf(
    {
      comparison: {
        fresh: ['https://site.example/new'],
        gone: [],
        moves: new Map(),
        differences: new Map([
          ['https://site.example/a', { tags: [], cards: new Map([['search', { parts: ['title'] }]]) }],
          ['https://site.example/quiet', { tags: [{ key: 'k', before: null, after: 'v' }], cards: new Map() }],
        ]),
        findings: { came: [], went: [] },
      },
    },
    ['wide-feed', 'search'],
  )
  const all = ['/a', '/quiet', '/new', '/same'].map((path, order) => row(path, order))
  const shownOn = (surface: string) =>
    selectRows(withChanges(all, changes), { surface, section: null, symptoms: ['changed'], search: '', sort: 'found' })

  test('is told by surface; a new page differs on all, a change of tags alone on none', () => {
    expect(shownOn('search').map(({ path }) => path)).toEqual(['/a', '/new'])
    expect(shownOn('wide-feed').map(({ path }) => path)).toEqual(['/new'])
    expect(countSymptoms(withChanges(all, changes), 'search', ['changed']).changed).toBe(2)
  })

  test('while nothing is known of it, rows are left as they are', () => {
    expect(withChanges(all, null)).toBe(all)
    expect(withChanges(all, new Map())).toBe(all)
  })
})
