import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { runLock } from '@/workers/protocol'
import { database, type StoredRun } from './database'
import { canResume, closeLeftBehind, deleteRun, listRuns, newRunId } from './runs'

const run = (id: string, over: Partial<StoredRun> = {}): StoredRun => ({
  id,
  source: { kind: 'url', location: 'http://localhost:3000/', site: 'https://site.example/' },
  view: 'standing',
  robotsTxt: null,
  startedAt: `2026-11-23T09:00:0${id.length}Z`,
  finishedAt: null,
  touchedAt: Date.parse('2026-11-23T09:01:00Z'),
  state: 'done',
  pages: 12,
  waiting: 0,
  notes: [],
  findings: [],
  summary: null,
  ...over,
})

const holdLocks = (...ids: string[]) =>
  vi.stubGlobal('navigator', { locks: { query: async () => ({ held: ids.map((id) => ({ name: runLock(id) })) }) } })

beforeEach(async () => {
  holdLocks()
  for (const table of database.tables) await table.clear()
})

test('runs are listed newest first', async () => {
  await database.runs.bulkAdd([run('a'), run('ccc'), run('bb')])
  expect((await listRuns()).map(({ id }) => id)).toEqual(['ccc', 'bb', 'a'])
})

test('deleting a run takes everything of it, and nothing of another; shared small pictures stay', async () => {
  for (const id of ['a', 'b']) {
    await database.runs.add(run(id))
    await database.frontier.add({ run: id, url: 'x', depth: 1 })
    await database.pages.add({ run: id, url: 'x', page: {} as never })
    await database.images.add({ run: id, url: 'x', image: {} as never })
    await database.rows.add({ run: id, url: 'x', order: 0 } as never)
  }
  await database.thumbs.add({ key: 'sha256:1', blob: new Blob(['x']), bytes: 1, savedAt: 0 })
  await deleteRun('a')
  for (const table of [database.pages, database.rows, database.images, database.frontier]) {
    expect((await table.toArray()).map((row) => (row as { run: string }).run)).toEqual(['b'])
  }
  expect((await listRuns()).map(({ id }) => id)).toEqual(['b'])
  expect(await database.thumbs.count()).toBe(1)
})

describe('a run that a closed tab left behind', () => {
  test('is stopped, with what it has and where it stopped', async () => {
    await database.runs.add(run('a', { state: 'running', pages: 12, waiting: 30 }))
    await closeLeftBehind()
    expect(await database.runs.get('a')).toMatchObject({
      state: 'stopped',
      finishedAt: '2026-11-23T09:01:00.000Z',
      notes: [{ kind: 'stopped', message: 'The tab was closed at 12 of about 42 pages.' }],
    })
  })

  test('one that a worker of another tab still holds is left alone', async () => {
    await database.runs.add(run('a', { state: 'running' }))
    holdLocks('a')
    await closeLeftBehind()
    expect((await database.runs.get('a'))?.state).toBe('running')
  })

  test('runs that are over are not touched', async () => {
    await database.runs.add(run('a', { state: 'done' }))
    await closeLeftBehind()
    expect((await database.runs.get('a'))?.notes).toEqual([])
  })
})

test.each([
  [{ state: 'stopped', waiting: 3 }, true],
  [{ state: 'stopped', waiting: 0 }, false],
  [{ state: 'done', waiting: 3 }, false],
  [{ state: 'stopped', waiting: 3, source: { kind: 'folder', location: 'out', site: 'https://site.example/' } }, false],
] as const)('%j can go on: %s', (over, expected) => {
  expect(canResume(run('a', over as Partial<StoredRun>))).toBe(expected)
})

test('ids sort by time and are short', () => {
  const early = newRunId(new Date('2026-11-23T09:12:00Z'), () => 0.999)
  const late = newRunId(new Date('2026-11-23T09:13:00Z'), () => 0)
  expect(early < late).toBe(true)
  expect(late).toBe('261123-0913-000')
})
