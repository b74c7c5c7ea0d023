import { join } from 'node:path'
import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import 'fake-indexeddb/auto'
import { filesIn } from '@/cli/testing/files-in'
import { gatherMemory } from '@/core/testing/build-run'
import { runs } from '@/core/testing/property-runs'
import { judge } from '@/workers/judge'
import type { WallRow } from './database'
import { marksOf, packRows, unpackRows } from './packed-rows'

/** The demo, which has every kind of trouble, as its launch would be: most cards differ from as it stands. */
let demo: WallRow[]
beforeAll(async () => {
  const files = Object.fromEntries(filesIn(join(process.cwd(), 'demo', 'site')))
  const gathering = await gatherMemory(files, 'https://brasswick.example/')
  const robotsTxt = 'User-agent: facebookexternalhit\nDisallow: /\n'
  demo = (await judge('run', { ...gathering, robotsTxt })).rows
})

test('rows of the demo come out as they went in, at any place, with gaps', () => {
  expect(demo.some(({ otherFaces }) => otherFaces)).toBe(true)
  const places = fc.array(fc.option(fc.nat(47)), { maxLength: 100 })
  fc.assert(
    fc.property(places, fc.nat(9), (chosen, part) => {
      const rows = chosen.map((at, place) =>
        at === null ? null : { ...demo[at % demo.length]!, order: part * 100 + place },
      )
      const text = packRows(rows)
      expect(unpackRows('run', part * 100, text)).toEqual(rows)
      // Written again as they were read, they are the very same.
      expect(packRows(unpackRows('run', part * 100, text))).toBe(text)
    }),
    runs(60),
  )
})

test('those alone that are asked for are made', () => {
  const text = packRows(demo)
  const made = unpackRows('run', 0, text, new Set([2, 5]))
  expect(made.flatMap((row, at) => (row ? [at] : []))).toEqual([2, 5])
  expect(made[5]).toEqual(demo[5])
})

test('paths, names and texts of any kind are kept', () => {
  const odd = fc.string({ unit: 'binary' })
  fc.assert(
    fc.property(odd, odd, odd, (path, surface, title) => {
      const [face] = Object.values(demo[0]!.faces)
      const key = `_${surface}`
      const row = {
        ...demo[0]!,
        url: `https://x.example/${path}`,
        path,
        faces: { [key]: { ...face!, title } },
        section: path,
      }
      expect(unpackRows('run', 0, packRows([row]))).toEqual([row])
    }),
    runs(200),
  )
})

test('a row that is copied has its cards', () => {
  const [row] = unpackRows('run', 0, packRows(demo.slice(0, 1)))
  expect({ ...row! }.faces).toEqual(demo[0]!.faces)
})

test('what a wall is narrowed by is that of the cards, of a copy with other cards too', () => {
  const rows = unpackRows('run', 0, packRows(demo)).filter((row) => row !== null)
  for (const [at, row] of rows.entries()) {
    for (const [surface, { traits, image }] of Object.entries(demo[at]!.faces))
      expect(marksOf(row, surface)).toMatchObject({ traits, image })
    expect(marksOf(row, 'nowhere')).toBeUndefined()
    const bare = { ...demo[at]!.faces['wide-feed']!, traits: ['bare' as const] }
    expect(marksOf({ ...row, faces: { 'wide-feed': bare } }, 'wide-feed')).toBe(bare)
  }
})
