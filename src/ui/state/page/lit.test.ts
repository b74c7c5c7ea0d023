import { describe, expect, test } from 'vitest'
import { createCheckContext, runChecks } from '@/core/check'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { surfaces } from '@/core/testing/places'
import { markRows, rowOf } from './lit'

const source = [
  { line: 1, column: 1, text: '<!doctype html>', inHead: true },
  { line: 1, column: 16, text: '<meta a>', inHead: true },
  { line: 1, column: 40, text: '<meta b>', inHead: true },
  { line: 7, column: 3, text: '<h1>', inHead: false },
]

describe('rowOf', () => {
  test.each([
    [{ line: 1, column: 1 }, 0],
    [{ line: 1, column: 16 }, 1],
    [{ line: 1, column: 39 }, 1],
    [{ line: 1, column: 99 }, 2],
    [{ line: 7, column: 3 }, 3],
    [{ line: 7, column: 1 }, -1],
    [{ line: 5, column: 1 }, -1],
    [null, -1],
  ])('%j is in row %i', (spot, expected) => {
    expect(rowOf(source, spot)).toBe(expected)
  })
})

test('rows are marked by what fed a card, what was passed over, and what has a finding', async () => {
  const page = goodPage('about.html', 'Ferns', { 'og:description': '<meta property="og:description" content="">' })
  const context = createCheckContext(await gatherMemory(goodSite({ 'about.html': page }), GOOD_SITE))
  const verdict = runChecks(context.gathering, context)
  const about = context.pages.find(({ file }) => file === 'about.html')!
  const cards = surfaces.map((surface) => context.cardOf(about, surface))
  const marks = markRows(about.source, cards, verdict.pages.find(({ url }) => url === about.url)!.findings)
  const markOf = (tag: string) => marks[about.source.findIndex(({ text }) => text.includes(tag))]
  // The feed takes it, search passes it over.
  expect(markOf('"og:title"')).toEqual({ fed: true, passed: true, level: null })
  expect(markOf('"og:site_name"')).toEqual({ fed: true, passed: false, level: null })
  expect(markOf('"og:description"')).toEqual({ fed: false, passed: true, level: 'warning' })
  expect(markOf('"description"')).toMatchObject({ fed: true })
  expect(markOf('<h1>')).toEqual({ fed: false, passed: true, level: null })
  expect(markOf('viewport')).toBeUndefined()
  expect(markOf('og:image:width')).toEqual({ fed: false, passed: false, level: null })
})
