import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { firstTemplate } from '@/core/compose'
import { database } from '@/store/database'
import { templatesOf } from '@/store/templates'
import { keepChanged, takeLeft } from './left-template'

const SITE = 'https://site.example/'
const KEY = 'nimble-parrot template'
const left = (margin: number) => ({ site: SITE, section: '/a/*', template: { ...firstTemplate(null), margin } })
const margins = async () => Object.values(await templatesOf(SITE)).map(({ margin }) => margin)
let kept: Map<string, string>

beforeEach(async () => {
  await database.templates.clear()
  kept = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  })
})
afterEach(() => vi.unstubAllGlobals())

test('a change is there at once, and leaves nothing behind when the database has it', async () => {
  const keeping = keepChanged(left(44))
  expect(JSON.parse(kept.get(KEY)!)).toEqual(left(44))
  await keeping
  expect(await margins()).toEqual([44])
  expect(kept.size).toBe(0)
})

test('a change that comes while one is being kept stays until it is kept itself', async () => {
  const first = keepChanged(left(44))
  const second = keepChanged(left(45))
  await first
  expect(JSON.parse(kept.get(KEY)!)).toEqual(left(45))
  await second
  expect([await margins(), kept.size]).toEqual([[45], 0])
})

test('what a closed tab left behind is taken over once', async () => {
  kept.set(KEY, JSON.stringify(left(46)))
  await takeLeft()
  expect([await margins(), kept.size]).toEqual([[46], 0])
})

test.each(['{', '7', JSON.stringify({ ...left(46), template: { margin: 'wide' } })])(
  'what is no template is thrown away: %s',
  async (text) => {
    kept.set(KEY, text)
    await takeLeft()
    expect([await margins(), kept.size]).toEqual([[], 0])
  },
)

test('without such a place the database has it all the same', async () => {
  vi.stubGlobal('localStorage', undefined)
  await takeLeft()
  await keepChanged(left(47))
  expect(await margins()).toEqual([47])
})
