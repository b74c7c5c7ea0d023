import 'fake-indexeddb/auto'
import { beforeEach, expect, test, vi } from 'vitest'
import { database, type WallRow } from '@/store/database'
import { putRows } from '@/store/rows'
import { rowsOnce } from './rows-once'

const row = (run: string, order: number): WallRow => ({
  ...{ run, order, status: 200, url: `https://x.example/${order}`, path: `/${order}`, section: '/' },
  ...{ levels: { error: 0, warning: 0, note: 0 }, findings: [], faces: {} },
})

beforeEach(async () => {
  await database.rowParts.clear()
  await putRows([...Array.from({ length: 230 }, (_, order) => row('one', order)), row('two', 0)])
})

const orders = (rows: WallRow[] | null) => rows?.map(({ order }) => order)

test('rows are read once for all who ask, in their order, and again when the run has changed', async () => {
  const read = vi.spyOn(database.rowParts, 'bulkGet')
  const first = await rowsOnce('one', 1)
  expect(orders(first)).toEqual(Array.from({ length: 230 }, (_, order) => order))
  const reads = read.mock.calls.length
  expect(await rowsOnce('one', 1)).toBe(first)
  expect(read.mock.calls.length).toBe(reads)
  await putRows([row('one', 230)])
  expect(orders(await rowsOnce('one', 2))).toHaveLength(231)
  read.mockRestore()
})

test('those of another run break off what is still being read', async () => {
  const slow = rowsOnce('one', 3)
  expect(orders(await rowsOnce('two', 1))).toEqual([0])
  expect(await slow).toBeNull()
  expect(orders(await rowsOnce('one', 3))).toHaveLength(230)
})

test('what could not be read is read again by the next who asks', async () => {
  const broken = vi.spyOn(database.rowParts, 'bulkGet').mockImplementation(() => {
    throw new Error('gone')
  })
  await expect(rowsOnce('one', 4)).rejects.toThrow('gone')
  broken.mockRestore()
  expect(orders(await rowsOnce('one', 4))).toHaveLength(230)
})
