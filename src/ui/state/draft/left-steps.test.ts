import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Draft } from '@/core/draft'
import { database } from '@/store/database'
import { type DraftStep, defaultsOf, draftsOf } from '@/store/drafts'
import { isFailedWrite, readNotKept } from '../not-kept'
import { keepStep, resumePendingWrites } from './pending-writes'

const SITE = 'https://site.example/'
const KEY = 'nimble-parrot drafts on their way'
const draft = (title: string): Draft => ({
  site: SITE,
  url: 'a',
  fields: { title },
  against: {},
  madeAt: '2026-11-23T09:00:00Z',
  changedAt: '2026-11-23T09:00:00Z',
  landedAt: null,
})
const step = (title: string): DraftStep => ({
  site: SITE,
  label: 'draft of title',
  drafts: [{ url: 'a', before: draft('Was'), after: draft(title) }],
})
const titles = async () => (await draftsOf(SITE)).map(({ fields }) => fields.title)
let kept: Map<string, string>

beforeEach(async () => {
  await database.drafts.clear()
  await database.defaults.clear()
  kept = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  })
})
afterEach(() => vi.unstubAllGlobals())

test('what is typed is there at once, and leaves nothing behind when the database has it', async () => {
  const keeping = keepStep(step('New'), 'after')
  expect(kept.get(KEY)).toContain('"New"')
  await keeping
  expect([await titles(), kept.size]).toEqual([['New'], 0])
})

test('a tab that closed on the way: its steps are done in their order, once', async () => {
  void keepStep(step('First'), 'after')
  const last = keepStep(
    { ...step('Last'), defaults: { before: { sections: {} }, after: { siteName: 'S', sections: {} } } },
    'after',
  )
  const left = kept.get(KEY)!
  await last
  await database.drafts.clear()
  await database.defaults.clear()
  kept.set(KEY, left)
  await resumePendingWrites()
  expect([await titles(), (await defaultsOf(SITE)).siteName, kept.size]).toEqual([['Last'], 'S', 0])
})

test('what there is no room for stays, is said, and is kept once there is room', async () => {
  const full = vi.spyOn(database.drafts, 'bulkPut').mockRejectedValue(new DOMException('Full', 'QuotaExceededError'))
  const put = vi.spyOn(database.drafts, 'put').mockRejectedValue(new DOMException('Full', 'QuotaExceededError'))
  await expect(keepStep(step('Unkept'), 'after')).rejects.toThrow('Full')
  expect(readNotKept()).toMatchObject({ what: 'The last step (draft of title)', isFull: true })
  expect(kept.get(KEY)).toContain('"Unkept"')
  await resumePendingWrites()
  expect(kept.get(KEY)).toContain('"Unkept"')
  full.mockRestore()
  put.mockRestore()
  await readNotKept()!.again!()
  expect([await titles(), kept.size]).toEqual([['Unkept'], 0])
})

test('what was typed last stands, whatever failed before it', async () => {
  const put = vi.spyOn(database.drafts, 'put').mockRejectedValue(new DOMException('Full', 'QuotaExceededError'))
  const full = vi.spyOn(database.drafts, 'bulkPut').mockRejectedValue(new DOMException('Full', 'QuotaExceededError'))
  for (const title of ['L', 'La', 'Lamp']) await expect(keepStep(step(title), 'after')).rejects.toThrow('Full')
  expect(JSON.parse(kept.get(KEY)!)).toHaveLength(1)
  put.mockRestore()
  full.mockRestore()
  await readNotKept()!.again!()
  expect([await titles(), kept.size]).toEqual([['Lamp'], 0])
  await resumePendingWrites()
  expect(await titles()).toEqual(['Lamp'])
})

test('a dialog that somebody closed is no failed write, a transaction that the database gave up is', () => {
  expect(isFailedWrite(new DOMException('The user aborted a request.', 'AbortError'))).toBe(false)
  expect(isFailedWrite(Object.assign(new Error('Transaction aborted'), { name: 'AbortError' }))).toBe(true)
  expect(isFailedWrite(new DOMException('Full', 'QuotaExceededError'))).toBe(true)
  expect(isFailedWrite(new Error('Anything else'))).toBe(false)
})

test('undoing is kept as what stood before', async () => {
  const undoing = keepStep(step('New'), 'before')
  expect(kept.get(KEY)).toContain('"Was"')
  await undoing
  expect(await titles()).toEqual(['Was'])
})

test('a step over very many pages is not left there', async () => {
  const many = Array.from({ length: 3000 }, (_, index) => ({
    url: `p${index}`,
    before: null,
    after: { ...draft('New'), url: `p${index}` },
  }))
  const keeping = keepStep({ ...step('x'), drafts: many }, 'after')
  expect(kept.size).toBe(0)
  await keeping
  expect(await database.drafts.count()).toBe(3000)
})

test.each(['{', '7', '[{"site":1}]'])('what are no steps is thrown away: %s', async (text) => {
  kept.set(KEY, text)
  await resumePendingWrites()
  expect([await titles(), kept.size]).toEqual([[], 0])
})

test('a write that fails says so, and leaves nothing behind', async () => {
  const broken = { ...step('x'), drafts: [{ url: 'c', before: null, after: { fields: {} } as Draft }] }
  await expect(keepStep(broken, 'after')).rejects.toThrow()
  expect(kept.size).toBe(0)
})
