import 'fake-indexeddb/auto'
import { Dexie } from 'dexie'
import { expect, test } from 'vitest'

const row = (run: string, order: number) => ({
  ...{ run, order, status: 200, url: `https://x.example/${order}`, path: `/${order}`, section: '/' },
  ...{ levels: { error: 0, warning: 0, note: 0 }, findings: [], faces: {} },
})

test('rows of before they were packed are read as they were', async () => {
  const old = new Dexie('nimble-parrot')
  old.version(13).stores({ runs: 'id, startedAt', rows: '[run+url], run, [run+order]', overviews: 'run' })
  const orders = Array.from({ length: 230 }, (_, order) => order)
  await old.table('rows').bulkAdd(orders.map((order) => row('long', order)))
  await old.table('rows').bulkAdd([row('short', 0), row('short', 2)])
  old.close()
  const { rowsOf } = await import('./rows')
  expect(await rowsOf('long')).toEqual(orders.map((order) => row('long', order)))
  expect((await rowsOf('short')).map(({ url }) => url)).toEqual(['https://x.example/0', 'https://x.example/2'])
  const { database } = await import('./database')
  expect([...database.backendDB().objectStoreNames]).not.toContain('rows')
})
