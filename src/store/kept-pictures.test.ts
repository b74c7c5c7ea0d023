import 'fake-indexeddb/auto'
import { beforeEach, expect, it } from 'vitest'
import { database } from './database'
import { keepOriginal, MAX_ORIGINAL, trimPictures } from './kept-pictures'

beforeEach(async () => {
  await database.thumbs.clear()
  await database.originals.clear()
})

const put = (table: 'thumbs' | 'originals', key: string, bytes: number, savedAt: number) =>
  database[table].put({ key, blob: new Blob(['x'.repeat(bytes)]), bytes, savedAt })

it('throws out what was kept longest, each kind by its own bound', async () => {
  for (const [index, key] of ['a', 'b', 'c', 'd'].entries()) await put('thumbs', key, 30, index)
  await put('originals', 'old', 70, 1)
  await put('originals', 'new', 70, 2)
  expect(await trimPictures({ thumbs: 65, originals: 100 })).toBe(3)
  expect((await database.thumbs.toArray()).map(({ key }) => key)).toEqual(['c', 'd'])
  expect((await database.originals.toArray()).map(({ key }) => key)).toEqual(['new'])
  expect(await trimPictures({ thumbs: 65, originals: 100 })).toBe(0)
})

it('keeps no picture whole that is heavier than the bound of one', async () => {
  await keepOriginal('light', new Blob(['light']))
  await keepOriginal('heavy', { size: MAX_ORIGINAL + 1 } as Blob)
  expect((await database.originals.toArray()).map(({ key, bytes }) => [key, bytes])).toEqual([['light', 5]])
})

it('never throws out what was made here, however old it is', async () => {
  await put('originals', 'made', 90, 1)
  await put('originals', 'read', 70, 2)
  await put('originals', 'newest', 70, 3)
  await database.images.put({ run: 'r', url: 'u', image: { url: 'u', hash: 'made' } as never, made: true })
  await trimPictures({ thumbs: 65, originals: 100 })
  expect((await database.originals.toArray()).map(({ key }) => key).sort()).toEqual(['made', 'newest'])
})
