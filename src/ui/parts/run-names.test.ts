import { describe, expect, test } from 'vitest'
import type { StoredRun } from '@/store/database'
import { runInWords, runNames } from './run-names'

const SITE = 'https://site.example/'
const run = (id: string, at: string, more: Partial<StoredRun> = {}) =>
  ({
    id,
    startedAt: at,
    finishedAt: at,
    source: { kind: 'url', site: SITE, location: SITE },
    ...more,
  }) as StoredRun

describe('names of runs', () => {
  test('seconds are said where two runs of one site began in one minute, and only there', () => {
    const runs = [
      run('a', '2026-11-23T09:12:04'),
      run('b', '2026-11-23T09:12:50'),
      run('c', '2026-11-23T10:00:00'),
      run('d', '2026-11-23T09:12:30', {
        source: { kind: 'url', site: 'https://other.example/', location: 'https://other.example/' } as never,
      }),
    ]
    expect([...runNames(runs).values()].map(({ when }) => when)).toEqual([
      '23 Nov, 09:12:04',
      '23 Nov, 09:12:50',
      '23 Nov, 10:00',
      '23 Nov, 09:12',
    ])
  })

  test('one that looked at a page again has the time of the look, and says which page', () => {
    const before = run('a', '2026-11-23T09:12:04')
    const look = run('b', '2026-11-23T09:12:04', {
      finishedAt: '2026-11-23T09:40:11',
      lookedAgain: { run: 'a', url: `${SITE}guides/lamp` },
    })
    const names = runNames([before, look])
    expect(names.get('a')!.when).not.toBe(names.get('b')!.when)
    expect(names.get('b')).toMatchObject({
      title: '23 Nov, 09:40',
      when: '23 Nov, 09:40',
      made: 'looked again at /guides/lamp',
    })
  })

  test('a name that was given comes first, and the time stays with it', () => {
    const named = run('a', '2026-11-23T09:12:04', { name: 'Before the redesign' })
    expect(runInWords(named, [named])).toBe('Before the redesign, 23 Nov, 09:12')
  })

  test('where it was read is said when that is not the site', () => {
    const build = run('a', '2026-11-23T09:12:04', {
      source: { kind: 'folder', site: SITE, location: 'out' } as never,
      launchedAt: '2026-11-24T08:00:00',
    })
    expect(runInWords(build, [])).toBe('23 Nov, 09:12, from out, live since 24 Nov, 08:00')
  })
})
