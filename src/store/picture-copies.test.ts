import 'fake-indexeddb/auto'
import { beforeEach, expect, test } from 'vitest'
import { database } from './database'
import { deletePictureCopies, pictureCopies } from './picture-copies'

const copy = (key: string, bytes: number) => ({ key, blob: new Blob([]), bytes, savedAt: 0 })

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  await database.thumbs.bulkAdd([copy('sha256:a', 10), copy('sha256:made', 20)])
  await database.originals.bulkAdd([copy('sha256:a', 300), copy('sha256:made', 400)])
  await database.images.bulkAdd([
    { run: 'r', url: 'a', image: { hash: 'sha256:a' } as never },
    { run: 'r', url: 'made', image: { hash: 'sha256:made' } as never, made: true },
  ])
})

test('small and whole copies are counted together', async () => {
  expect(await pictureCopies()).toEqual({ count: 4, bytes: 730 })
})

test('all are let go of but those of pictures that were made here', async () => {
  await deletePictureCopies()
  expect((await database.thumbs.toArray()).map(({ key }) => key)).toEqual(['sha256:made'])
  expect((await database.originals.toArray()).map(({ key }) => key)).toEqual(['sha256:made'])
})
