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
  mergeTwins(given).map(({ url, fetch }) => [
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
