import { expect, test } from 'vitest'
import type { GatheredPage } from '../model'
import { gatherMemory } from '../testing/build-run'
import { mergeTwins } from './merge-twins'

const { pages } = await gatherMemory({ 'index.html': '<title>One page</title>' }, 'https://site.example/')
const page = (path: string, canonical: string | null): GatheredPage => ({
  ...pages[0]!,
  url: `https://site.example${path}`,
  facts: { ...pages[0]!.facts!, canonical },
})
const merged = (...given: GatheredPage[]) =>
  mergeTwins(given).pages.map(({ url, fetch }) => [
    new URL(url).pathname,
    fetch.aliases.map((alias) => new URL(alias).pathname),
  ])

test.each([
  ['both name the one with the slash', '/a/', '/a/', [['/a/', ['/a']]]],
  ['both name the one without, one of them relatively', 'https://site.example/a', '/a', [['/a', ['/a/']]]],
  [
    'each names itself',
    '/a',
    '/a/',
    [
      ['/a', []],
      ['/a/', []],
    ],
  ],
  [
    'one names nothing',
    null,
    '/a',
    [
      ['/a', []],
      ['/a/', []],
    ],
  ],
  [
    'both name a third',
    '/b',
    '/b',
    [
      ['/a', []],
      ['/a/', []],
    ],
  ],
])('%s', (_name, without, withSlash, expected) => {
  expect(merged(page('/a', without), page('/a/', withSlash))).toEqual(expected)
})

const same = (...paths: string[]) => merged(...paths.map((path) => page(path, null)))

test.each([
  ['index.html is its folder', ['/a/', '/a/index.html'], [['/a/', ['/a/index.html']]]],
  ['a query that changes nothing is none', ['/a', '/a?page=2'], [['/a', ['/a']]]],
  ['an ending that changes nothing is none', ['/a.html', '/a'], [['/a', ['/a.html']]]],
])('%s', (_name, paths, expected) => {
  expect(same(...paths)).toEqual(expected)
})

test('pages that say something else are two, whatever their form', () => {
  const other = page('/a/index.html', null)
  const pages = [page('/a/', null), { ...other, facts: { ...other.facts!, title: 'Another' } }]
  expect(mergeTwins(pages)).toEqual({ pages, note: null })
})

test('what is linked decides between /name and /name.html; it is said once', () => {
  const { pages: left, note } = mergeTwins([page('/a.html', null), page('/a', null)], () => false)
  expect(left.map(({ url }) => url)).toEqual(['https://site.example/a.html'])
  expect(note!.message).toContain('A page is served under two forms')
})
