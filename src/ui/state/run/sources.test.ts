import { describe, expect, test } from 'vitest'
import type { StoredRun } from '@/store/database'
import type { GatherSource } from '@/workers/protocol'
import {
  completeAddress,
  crawlFrom,
  isWhole,
  sourceAgain,
  sourceName,
  sourceOfRun,
  sourceToResume,
  wantsLogin,
} from './sources'

describe('completeAddress', () => {
  test.each([
    ['localhost:3000', 'http://localhost:3000/'],
    ['127.0.0.1:8080/docs', 'http://127.0.0.1:8080/docs'],
    ['example.org', 'https://example.org/'],
    [' http://example.org/a b ', 'http://example.org/a%20b'],
    ['ftp://example.org', null],
    ['javascript:alert(1)', null],
    ['', null],
    ['http://', null],
  ])('%j is %s', (typed, expected) => {
    expect(completeAddress(typed)).toBe(expected)
  })
})

test('a source is named by where it is', () => {
  expect(sourceName(crawlFrom('http://localhost:3000/'))).toBe('http://localhost:3000/')
  expect(sourceName({ kind: 'crawl', request: { from: { kind: 'list', addresses: ['a', 'b'] }, site: null } })).toBe(
    '2 addresses',
  )
})

describe('a login is asked for again', () => {
  const run = (more: Partial<StoredRun>) => ({ notes: [], ...more }) as unknown as StoredRun
  const passed = { kind: 'login-passed', message: '' } as StoredRun['notes'][number]
  const source = crawlFrom('http://localhost:3000/')
  test.each([
    ['a run that was given none', run({}), false],
    ['one that was', run({ withLogin: true }), true],
    ['one that was broken off before it had notes', run({ withLogin: true, state: 'stopped' }), true],
    ['one that is only known to have passed a login', run({ notes: [passed] }), true],
  ])('%s', (_name, asked, wanted) => {
    expect(wantsLogin(asked, source)).toBe(wanted)
  })

  test('not where it was just given, and not for files', () => {
    const from = { kind: 'url' as const, start: 'http://localhost:3000/' }
    const given: GatherSource = {
      kind: 'crawl',
      request: { from, site: null, login: { kind: 'basic', user: 'a', password: 'b' } as never },
    }
    expect(wantsLogin(run({ withLogin: true }), given)).toBe(false)
    expect(wantsLogin(run({ withLogin: true }), { kind: 'served', of: 'folder', name: 'out', site: null })).toBe(false)
  })
})

describe('a run goes on with what it was asked for', () => {
  const stopped = (kind: 'url' | 'list' | 'sitemap', request?: StoredRun['request']) =>
    ({
      state: 'stopped',
      waiting: 2,
      view: 'launched',
      source: { kind, location: 'http://localhost:3000/', site: 'https://site.example/' },
      request,
    }) as StoredRun

  test('a crawl keeps its bounds and its production address', () => {
    const asked = { from: { kind: 'url' as const, start: 'http://localhost:3000/' }, site: null, include: ['/a/**'] }
    const source = sourceToResume(stopped('url', asked))!
    expect(source).toEqual({ kind: 'crawl', request: { ...asked, site: 'https://site.example/' } })
    expect(isWhole(source)).toBe(true)
  })

  test('gathered again it has the same bounds, of a sitemap too', () => {
    const bounds = { site: 'https://site.example/', include: ['/a/**'], maxPages: 5 }
    for (const kind of ['url', 'sitemap'] as const) {
      const at = 'http://localhost:3000/'
      const from = kind === 'url' ? { kind, start: at } : ({ kind, address: at, follow: true } as const)
      const source = sourceOfRun({ ...stopped(kind, { from, ...bounds, site: null }), state: 'done' })
      expect(source).toMatchObject({ kind: 'crawl', request: { from, ...bounds } })
    }
  })

  test('what the server was started with is read where it lies, of whatever run', () => {
    const run = { source: { kind: 'folder', location: 'dist', site: 'https://site.example/' } } as StoredRun
    const served = { kind: 'served', of: 'folder', name: 'dist', site: 'https://site.example/' }
    expect(sourceAgain(run, { kind: 'folder', name: 'dist' })).toEqual(served)
    expect(sourceAgain(run, { kind: 'folder', name: 'other' })).toBeNull()
    expect(sourceAgain(run, null)).toBeNull()
  })

  test('a list goes on, and can’t be begun again: only where it lies is known', () => {
    const asked = { from: { kind: 'list' as const, addresses: ['http://localhost:3000/a'] }, site: null }
    const source = sourceToResume(stopped('list', asked))!
    expect(source).toMatchObject({ kind: 'crawl', request: asked })
    expect(isWhole(source)).toBe(false)
  })

  test('of a run of before requests were kept, a crawl goes on and a list does not', () => {
    expect(sourceToResume(stopped('url'))).toMatchObject({
      request: { site: 'https://site.example/', ignoreRobots: true },
    })
    expect(sourceToResume(stopped('list'))).toBeNull()
    expect(sourceToResume({ ...stopped('url'), state: 'done' })).toBeNull()
  })
})
