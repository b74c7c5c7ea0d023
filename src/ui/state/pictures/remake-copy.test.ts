import 'fake-indexeddb/auto'
import { beforeEach, expect, test, vi } from 'vitest'
import { database, type StoredImage } from '@/store/database'
import { runLock } from '@/store/run-lock'

vi.mock('./picture-worker', () => ({ onPicture: vi.fn(async () => new Blob(['small'])) }))

const whole = (url: string, more: object = {}) =>
  ({
    run: 'r',
    url,
    image: {
      url,
      hash: `sha256:${url}`,
      errorCode: null,
      width: 1200,
      height: 630,
      format: 'png',
      served: null,
      ...more,
    },
  }) as unknown as StoredImage

let held: string[] = []
/** What was tried is remembered as long as the tab is open: each test is another tab. */
const openTab = async () => {
  vi.resetModules()
  return (await import('./remake-copy')).remakeCopy
}

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  held = []
  vi.stubGlobal('navigator', { locks: { query: async () => ({ held: held.map((name) => ({ name })) }) } })
})

test('a copy is made from the picture that is kept', async () => {
  const remakeCopy = await openTab()
  await database.originals.put({ key: 'sha256:a', blob: new Blob(['whole']), bytes: 5, savedAt: 0 })
  expect(await remakeCopy(whole('a'))).toBe(true)
  expect(await database.thumbs.get('sha256:a')).toMatchObject({ bytes: 5 })
})

test('one that the server still serves is asked for once, and not kept whole', async () => {
  const remakeCopy = await openTab()
  const asked = vi.fn(async () => new Response('whole'))
  vi.stubGlobal('fetch', asked)
  const image = whole('b', { served: '/api/picture/token' })
  expect([await remakeCopy(image), await remakeCopy(image)]).toEqual([true, true])
  expect(asked).toHaveBeenCalledTimes(1)
  expect(await database.originals.count()).toBe(0)
  expect(await database.thumbs.count()).toBe(1)
})

test('without either there is none, and a run that is still written makes its own', async () => {
  const remakeCopy = await openTab()
  vi.stubGlobal('fetch', async () => new Response('', { status: 403 }))
  expect(await remakeCopy(whole('c', { served: '/api/picture/stale' }))).toBe(false)
  held = [runLock('r')]
  expect(await remakeCopy(whole('d'))).toBe(null)
  held = []
  // It was not tried while the run went on, so it is now.
  await database.originals.put({ key: 'sha256:d', blob: new Blob(['whole']), bytes: 5, savedAt: 0 })
  expect(await remakeCopy(whole('d'))).toBe(true)
})

test('what is broken, or too large to be worked on, is not tried', async () => {
  const remakeCopy = await openTab()
  expect(await remakeCopy(whole('e', { errorCode: 'status' }))).toBe(false)
  expect(await remakeCopy(whole('f', { width: 40_000, height: 40_000 }))).toBe(false)
})
