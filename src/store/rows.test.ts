import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, describe, expect, test } from 'vitest'
import { runs } from '@/core/testing/property-runs'
import { database, type WallRow } from './database'
import {
  cutRows,
  deleteRows,
  newestRows,
  pageAddresses,
  putRows,
  roomOfRows,
  rowsByPart,
  rowsOf,
  sampledRows,
} from './rows'

const row = (run: string, order: number, status = 200): WallRow => ({
  ...{ run, order, status, url: `https://${run}.example/${order}`, path: `/${order}`, section: '/' },
  ...{ levels: { error: 0, warning: 0, note: 0 }, findings: [], faces: {} },
})
const rowsFrom = (run: string, count: number) => Array.from({ length: count }, (_, order) => row(run, order))
const orders = (rows: readonly WallRow[]) => rows.map(({ order }) => order)

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  await putRows(rowsFrom('large', 250))
  await putRows(rowsFrom('small', 3))
})

describe('rows of a run', () => {
  test('are read in the order of the pages, whole or part by part, and no row of another run', async () => {
    expect(await rowsOf('large')).toEqual(rowsFrom('large', 250))
    const parts: number[][] = []
    for await (const part of rowsByPart('large')) parts.push(orders(part))
    expect(parts.map(({ length }) => length)).toEqual([100, 100, 50])
    expect(parts.flat()).toEqual(orders(rowsFrom('large', 250)))
    expect(await pageAddresses('small')).toEqual([
      'https://small.example/0',
      'https://small.example/1',
      'https://small.example/2',
    ])
    expect(await rowsOf('none')).toEqual([])
  })

  test('more parts than are asked for at once come one after the other', async () => {
    await putRows(rowsFrom('huge', 2345))
    const read: number[] = []
    for await (const part of rowsByPart('huge')) read.push(...orders(part))
    expect(read).toEqual(orders(rowsFrom('huge', 2345)))
  })

  test('of many so many are read, evenly over them; of few all', async () => {
    expect(orders(await sampledRows('large', 10))).toEqual([0, 25, 50, 75, 100, 125, 150, 175, 200, 225])
    expect(await sampledRows('large', 250)).toHaveLength(250)
    expect(orders(await sampledRows('small', 10))).toEqual([0, 1, 2])
    expect(await sampledRows('none', 10)).toEqual([])
  })

  test.each([1, 60, 120, 1000])('the %i found last come newest first', async (most) => {
    expect(orders(await newestRows('large', most))).toEqual(orders(rowsFrom('large', 250)).reverse().slice(0, most))
  })

  test('are deleted with nothing of another run', async () => {
    await deleteRows('large')
    expect(await rowsOf('large')).toEqual([])
    expect(await rowsOf('small')).toHaveLength(3)
  })

  test('whatever is written, over what is there, and cut: what is read is what was written last, and the room is known', async () => {
    const writes = fc.array(fc.tuple(fc.nat(220), fc.integer({ min: 100, max: 599 })), { maxLength: 40 })
    await fc.assert(
      fc.asyncProperty(fc.array(writes, { maxLength: 4 }), fc.nat(260), async (batches, cut) => {
        await deleteRows('any')
        const last = new Map<number, number>()
        let room = 0
        for (const batch of batches) {
          for (const [order, status] of batch) last.set(order, status)
          room += await putRows(batch.map(([order, status]) => row('any', order, status)))
        }
        const expected = () => [...last].sort(([a], [b]) => a - b).map(([order, status]) => row('any', order, status))
        expect(await rowsOf('any')).toEqual(expected())
        room += await cutRows('any', cut)
        for (const order of last.keys()) if (order >= cut) last.delete(order)
        expect(await rowsOf('any')).toEqual(expected())
        expect(await roomOfRows('any')).toBe(room)
      }),
      runs(40),
    )
  })
})
