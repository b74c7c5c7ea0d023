import 'fake-indexeddb/auto'
import { beforeEach, expect, test } from 'vitest'
import { database, type StoredRun } from './database'
import { allPagesOf, pagesAt, readStoredPage } from './pages'
import { deleteRun } from './runs'

const run = (id: string, base?: string) => ({ id, startedAt: id, ...(base && { base }) }) as StoredRun
const page = (of: string, url: string, says: string) => ({ run: of, url, page: { says } as never })
const said = (stored: { page: unknown } | undefined) => (stored?.page as { says: string } | undefined)?.says

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  await database.runs.bulkAdd([run('a'), run('b', 'a'), run('c', 'a')])
  await database.pages.bulkAdd([
    page('a', 'x', 'first'),
    page('a', 'y', 'first'),
    page('b', 'x', 'second'),
    page('c', 'x', 'third'),
    page('c', 'y', 'third'),
  ])
})

test('a run that came of a look has its own page, and all others of its base', async () => {
  expect([said(await readStoredPage('b', 'x')), said(await readStoredPage('b', 'y'))]).toEqual(['second', 'first'])
  expect(await readStoredPage('b', 'z')).toBeUndefined()
  expect((await pagesAt('b', ['y', 'z', 'x'])).map(said)).toEqual(['first', undefined, 'second'])
  expect([...(await allPagesOf('c')).values()].map(said)).toEqual(['third', 'third'])
  expect((await pagesAt('a', ['x', 'y'])).map(said)).toEqual(['first', 'first'])
})

test('a run that is deleted leaves its pages to those that came of it, until the last of them goes', async () => {
  await deleteRun('a')
  expect(said(await readStoredPage('b', 'y'))).toBe('first')
  await deleteRun('b')
  expect(await database.pages.where('run').equals('a').count()).toBe(2)
  await deleteRun('c')
  expect(await database.pages.count()).toBe(0)
})

test('a look that is deleted takes nothing of its base', async () => {
  await deleteRun('b')
  expect((await allPagesOf('a')).size).toBe(2)
  expect(await database.pages.where('run').equals('b').count()).toBe(0)
})
