import 'fake-indexeddb/auto'
import { beforeEach, expect, test } from 'vitest'
import { database, type WallRow } from './database'
import { sampledRows } from './rows'

const row = (run: string, order: number) => ({ run, url: `${run}${order}`, order }) as WallRow

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  await database.rows.bulkAdd(Array.from({ length: 100 }, (_, order) => row('large', order)))
  await database.rows.bulkAdd([row('small', 0), row('small', 1), row('small', 2)])
})

test('of a run of many rows so many are read, evenly over it; of a small one all', async () => {
  expect((await sampledRows('large', 10)).map(({ order }) => order)).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90])
  expect(await sampledRows('large', 100)).toHaveLength(100)
  expect((await sampledRows('small', 10)).map(({ order }) => order)).toEqual([0, 1, 2])
  expect(await sampledRows('none', 10)).toEqual([])
})
