import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import { type Draft, noDefaults } from '@/core/draft'
import { database } from './database'
import { defaultsOf, draftsOf, writeStep } from './drafts'

const SITE = 'https://site.example/'
const draft = (url: string, title: string): Draft => ({
  site: SITE,
  url,
  fields: { title },
  against: { title: 'Old' },
  madeAt: '2026-11-23T09:00:00Z',
  changedAt: '2026-11-23T09:00:00Z',
  landedAt: null,
})

beforeEach(async () => {
  await database.drafts.clear()
  await database.defaults.clear()
})

describe('steps of drafting', () => {
  const step = {
    site: SITE,
    label: 'draft for 2 pages',
    drafts: [
      { url: 'a', before: null, after: draft('a', 'New') },
      { url: 'b', before: draft('b', 'Was'), after: null },
    ],
  }

  test('are written as a whole, and taken back as a whole', async () => {
    await database.drafts.put(draft('b', 'Was'))
    await writeStep(step, 'after')
    expect(await draftsOf(SITE)).toEqual([draft('a', 'New')])
    await writeStep(step, 'before')
    expect(await draftsOf(SITE)).toEqual([draft('b', 'Was')])
  })

  test('a step that fails in its middle changes nothing', async () => {
    await database.drafts.put(draft('b', 'Was'))
    const broken = { ...step, drafts: [...step.drafts, { url: 'c', before: null, after: { fields: {} } as Draft }] }
    await expect(writeStep(broken, 'after')).rejects.toThrow()
    expect(await draftsOf(SITE)).toEqual([draft('b', 'Was')])
  })

  test('defaults belong to a site, and are undone with their step', async () => {
    const after = { siteName: 'Good Site', sections: {} }
    const change = { site: SITE, label: 'default siteName', drafts: [], defaults: { before: noDefaults, after } }
    await writeStep(change, 'after')
    expect(await defaultsOf(SITE)).toEqual(after)
    expect(await defaultsOf('https://other.example/')).toEqual(noDefaults)
    await writeStep(change, 'before')
    expect(await defaultsOf(SITE)).toEqual(noDefaults)
  })

  test('taking a step back leaves what has landed since', async () => {
    await database.drafts.put(draft('b', 'Was'))
    await writeStep(step, 'after')
    await database.drafts.update([SITE, 'a'], { landedAt: '2026-11-24T09:00:00Z' })
    await writeStep(step, 'before')
    expect((await draftsOf(SITE)).map(({ url, landedAt }) => [url, landedAt])).toEqual([
      ['a', '2026-11-24T09:00:00Z'],
      ['b', null],
    ])
  })

  test('drafts of another site are not touched', async () => {
    await database.drafts.put({ ...draft('a', 'Theirs'), site: 'https://other.example/' })
    await writeStep(step, 'after')
    expect(await draftsOf('https://other.example/')).toHaveLength(1)
  })
})
