import { describe, expect, test } from 'vitest'
import { pathOn } from '@/core/address'
import type { Comparison } from '@/core/compare'
import type { StoredRun } from '@/store/database'
import { itemInWords } from './change-list'
import { countKinds, driftItems } from './drift-items'
import { earlierRun } from './earlier-run'
import { fromLocalInput, toLocalInput } from './local-time'
import { findingsInWords } from './runs-tab'
import { liveAt } from './shared-marks'

const SITE = 'https://site.example/docs/'
const at = (path: string) => SITE + path

const comparison: Comparison = {
  fresh: [at('new'), at('there')],
  gone: [at('old'), at('here')],
  moves: new Map([[at('here'), at('there')]]),
  differences: new Map([
    [at('b'), { tags: [{ key: 'keywords', before: 'a', after: 'b' }], cards: new Map() }],
    [
      at('a'),
      {
        tags: [],
        cards: new Map([
          ['wide-feed', { parts: ['title', 'image'] }],
          ['tab', { parts: ['title'] }],
        ]),
      },
    ],
  ]),
  findings: {
    came: [
      { rule: 'title-long', page: at('a') },
      { rule: 'card-missing', page: at('there') },
    ],
    went: [{ rule: 'image-heavy', page: at('c') }],
  },
}

describe('what became of pages', () => {
  const items = driftItems({ comparison }, SITE)

  test('changed cards first, then what moved, went and came, then the rest', () => {
    expect(items.map(({ kind, path }) => [kind, path])).toEqual([
      ['changed', '/a'],
      ['moved', '/here'],
      ['removed', '/old'],
      ['added', '/new'],
      ['tags', '/b'],
      ['findings', '/c'],
    ])
    expect(countKinds(items)).toEqual({ changed: 1, moved: 1, removed: 1, added: 1, tags: 1, findings: 1 })
  })

  test('each says in a line what it is', () => {
    expect(items.map(itemInWords)).toEqual([
      'title, picture on 2 surfaces',
      'moved to /there',
      'is not there any more',
      'is new',
      'tags that no card shows',
      '1 went',
    ])
  })

  test('findings of a page that moved are those of its new address', () => {
    expect(items[1]).toMatchObject({ came: ['card-missing'], went: [], to: { url: at('there'), path: '/there' } })
    expect(items[0]!.came).toEqual(['title-long'])
  })

  test('a page elsewhere is called by its whole address', () => {
    expect(pathOn('https://other.example/x', SITE)).toBe('https://other.example/x')
    expect(pathOn(SITE, SITE)).toBe('/')
  })

  test.each([
    [0, 0, 'No finding came or went.'],
    [1, 0, '1 finding went, none came.'],
    [0, 2, 'No finding went, 2 came.'],
  ])('%i went, %i came', (went, came, words) => {
    expect(findingsInWords(went, came)).toBe(words)
  })
})

type Run = Pick<StoredRun, 'id' | 'startedAt' | 'touchedAt' | 'launchedAt' | 'lookedAgain'>
const run = (id: string, touchedAt: number, more: Partial<Run> = {}): Run => ({ id, startedAt: id, touchedAt, ...more })

describe('the run that another is held against', () => {
  const now = run('now', 50, { lookedAgain: { run: 'parent', url: 'x' } })
  const others = [run('later', 60), run('parent', 30), run('before', 40)]

  test('is the one asked for, if it is there', () => {
    expect(earlierRun(now, others, 'later')?.id).toBe('later')
    expect(earlierRun(now, others, 'gone')?.id).toBe('parent')
  })

  test('else the baseline, else the parent, else the one before', () => {
    const launched = [
      ...others,
      run('old', 1, { launchedAt: '2026-01-01' }),
      run('live', 2, { launchedAt: '2026-02-01' }),
    ]
    expect(earlierRun(now, launched, null)?.id).toBe('live')
    expect(earlierRun(now, others, null)?.id).toBe('parent')
    expect(earlierRun(run('now', 50), others, null)?.id).toBe('before')
    expect(earlierRun(run('now', 0), [run('later', 60)], null)?.id).toBe('later')
    expect(earlierRun(now, [], null)).toBeNull()
  })
})

describe('times', () => {
  test('go into a field and come back', () => {
    const iso = '2026-11-26T21:05:00.000Z'
    expect(fromLocalInput(toLocalInput(iso))).toBe(iso)
    expect(toLocalInput(iso)).toMatch(/^2026-11-2[67]T\d\d:05$/)
    for (const none of ['', 'tomorrow']) expect(fromLocalInput(none)).toBeNull()
  })

  test('the run that was live at a moment is the last one launched before it', () => {
    const launches = [
      { id: 'b', launchedAt: '2026-11-20' },
      { id: 'a', launchedAt: '2026-11-10' },
    ]
    expect(liveAt(launches, '2026-11-15', 'now')).toBe('a')
    expect(liveAt(launches, '2026-11-21', 'now')).toBe('b')
    expect(liveAt(launches, '2026-11-01', 'now')).toBe('now')
  })
})
