import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import { database, type StoredHeldEvent, type StoredRun } from './database'
import { heldEventsOf, historyOf, keepHeldEvents, launchesOf, markLaunched, takeBackHeldEvents } from './held-events'

const SITE = 'https://site.example/'
const run = (id: string, site = SITE) =>
  ({ id, startedAt: id, source: { kind: 'url', location: site, site } }) as unknown as StoredRun
const asked = (address: string): StoredHeldEvent['event'] => ({
  kind: 'asked',
  surface: 'wide-feed',
  address,
  run: 'a',
  at: '2026-11-26T10:00:00Z',
  renewed: true,
})

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  await database.runs.bulkAdd([run('a'), run('b'), run('c', 'https://other.example/')])
})

describe('launches', () => {
  test('are those of the site, the newest first, and can be taken back', async () => {
    await markLaunched('a', '2026-11-20T09:00:00.000Z')
    await markLaunched('b', '2026-11-24T09:00:00.000Z')
    await markLaunched('c', '2026-11-25T09:00:00.000Z')
    expect((await launchesOf(SITE)).map(({ id }) => id)).toEqual(['b', 'a'])
    await markLaunched('b', null)
    expect((await launchesOf(SITE)).map(({ id }) => id)).toEqual(['a'])
  })
})

describe('what was said of copies', () => {
  test('is kept in its order, by site, and one of it can be taken back', async () => {
    const ids = await keepHeldEvents(SITE, [asked('x'), asked('y')])
    await keepHeldEvents('https://other.example/', [asked('z')])
    expect((await heldEventsOf(SITE)).map(({ event }) => 'address' in event && event.address)).toEqual(['x', 'y'])
    await takeBackHeldEvents(ids.slice(0, 1))
    expect((await heldEventsOf(SITE)).map(({ event }) => 'address' in event && event.address)).toEqual(['y'])
  })

  test('with the launches it is the history of the site', async () => {
    await markLaunched('a', '2026-11-20T09:00:00.000Z')
    await keepHeldEvents(SITE, [asked('x')])
    const { events, launches, said } = await historyOf(SITE)
    expect(events).toEqual([{ kind: 'launched', run: 'a', at: '2026-11-20T09:00:00.000Z' }, asked('x')])
    expect([launches.length, said.length]).toEqual([1, 1])
  })
})
