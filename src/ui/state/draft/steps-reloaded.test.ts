import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Draft } from '@/core/draft'
import { database } from '@/store/database'
import { type DraftStep, draftsOf } from '@/store/drafts'

const SITE = 'https://site.example/'
const draft = (title: string): Draft => ({
  site: SITE,
  url: 'a',
  fields: { title },
  against: {},
  madeAt: '2026-11-23T09:00:00Z',
  changedAt: '2026-11-23T09:00:00Z',
  landedAt: null,
})
const step = (before: string | null, after: string): DraftStep => ({
  site: SITE,
  label: `title ${after}`,
  drafts: [{ url: 'a', before: before === null ? null : draft(before), after: draft(after) }],
})
const title = async () => (await draftsOf(SITE))[0]?.fields.title ?? null
let session: Map<string, string>
let locks: Set<string>

/** The module as a tab has it after it was loaded. */
async function load() {
  vi.resetModules()
  const history = await import('./draft-history')
  await history.resumeSteps()
  return history
}

beforeEach(async () => {
  await Promise.all([database.drafts.clear(), database.steps.clear()])
  session = new Map()
  locks = new Set()
  const storage = {
    getItem: (key: string) => session.get(key) ?? null,
    setItem: (key: string, value: string) => session.set(key, value),
    removeItem: (key: string) => session.delete(key),
  }
  vi.stubGlobal('sessionStorage', storage)
  vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => undefined, removeItem: () => undefined })
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, _options: object, take: (lock: object | null) => unknown) => {
        const isFree = !locks.has(name)
        locks.add(name)
        take(isFree ? {} : null)
      },
    },
  })
})
afterEach(() => vi.unstubAllGlobals())

/** A reload lets go of what the tab held. */
const reload = () => {
  locks.clear()
  return load()
}

test('after a reload the last step can be undone, and done again after another', async () => {
  const first = await load()
  await first.doStep(step(null, 'A'))
  await first.doStep(step('A', 'B'))
  const second = await reload()
  expect([await second.undoStep(), await title()]).toEqual(['title B', 'A'])
  const third = await reload()
  expect([await third.redoStep(), await title()]).toEqual(['title B', 'B'])
  expect([await third.undoStep(), await third.undoStep(), await title()]).toEqual(['title B', 'title A', null])
  expect(await third.undoStep()).toBeNull()
})

test('what is done after something was undone takes its place, in the next load too', async () => {
  const first = await load()
  await first.doStep(step(null, 'A'))
  await first.undoStep()
  await first.doStep(step(null, 'C'))
  const second = await reload()
  expect(await second.redoStep()).toBeNull()
  expect([await second.undoStep(), await second.undoStep()]).toEqual(['title C', null])
})

test('a tab that is doubled undoes its own steps, not those of the first', async () => {
  const first = await load()
  await first.doStep(step(null, 'A'))
  const doubled = await load()
  expect(await doubled.undoStep()).toBeNull()
  await doubled.doStep(step('A', 'B'))
  expect(await first.undoStep()).toBe('title A')
})

test('steps of tabs that were left a week ago are let go', async () => {
  const first = await load()
  await first.doStep(step(null, 'A'))
  await database.steps.toCollection().modify({ at: Date.now() - 8 * 24 * 3_600_000 })
  session.clear()
  await reload()
  expect(await database.steps.count()).toBe(0)
})
