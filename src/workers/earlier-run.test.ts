import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import { CrawlRequest, earlierFrom } from '@/core/crawl'
import { type Gathering, VERSION } from '@/core/model'
import { crawlMemory, type TestAnswer } from '@/core/testing/crawl-run'
import { GOOD_SITE, goodPage } from '@/core/testing/good-site'
import { database, type StoredRun } from '@/store/database'
import { LinkKeeper } from '@/store/links'
import { keptRequest } from '@/store/runs'
import { earlierFacts, earlierRun } from './earlier-run'
import { storeRun } from './testing/store-run'

let gathering: Gathering
beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  const answers: Record<string, TestAnswer> = {
    [GOOD_SITE]: { body: goodPage('', 'Home'), headers: { etag: '"1"' } },
    [`${GOOD_SITE}about.html`]: { body: goodPage('about.html', 'Ferns'), headers: { etag: '"2"' } },
    [`${GOOD_SITE}visit.html`]: { body: goodPage('visit.html', 'Mosses') },
  }
  gathering = await crawlMemory(GOOD_SITE, ({ url }) => {
    if (url.endsWith('.png')) return { headers: { 'content-type': 'image/png' }, body: 'GIF89a..........' }
    return answers[url] ?? { status: 404 }
  })
})

const store = async (id: string, over: Partial<StoredRun> = {}) => {
  await storeRun(id, gathering)
  await database.runs.update(id, { program: VERSION, startedAt: `2026-11-2${id}T00:00:00Z`, ...over } as never)
}

describe('the run that one may take over from', () => {
  test('is the one that is gathered again', async () => {
    await store('1')
    await store('2')
    expect((await earlierRun('1', 'server'))?.id).toBe('1')
  })

  test.each<[string, Partial<StoredRun>]>([
    ['one of another version', { program: '0.0.1' }],
    ['one of before versions were kept', { program: undefined }],
    ['one that was stopped', { state: 'stopped' }],
    ['one that came from elsewhere', { imported: true }],
    ['one that came of a look', { lookedAgain: { run: '1', url: GOOD_SITE } }],
    ['one that somebody was let into', { notes: [{ kind: 'login-passed', message: 'x' }] }],
    ['what is only tried', { tried: { run: '1', causes: [], changes: [] } }],
  ])('is never %s: the newest that is fit stands in', async (_, over) => {
    await store('1')
    await store('2')
    await store('3', over)
    expect((await earlierRun('3', 'server'))?.id).toBe('2')
  })

  test('with a login it is one that had one as well', async () => {
    await store('1', { notes: [{ kind: 'login-passed', message: 'x' }] })
    await store('2')
    expect((await earlierRun('2', 'server', true))?.id).toBe('1')
  })

  test('is none where files were read and a server is to be asked, or nothing is there', async () => {
    await store('1')
    expect(await earlierRun('1', 'files')).toBeUndefined()
    expect(await earlierRun('gone', 'server')).toBeUndefined()
  })
})

test('pages whose server tells of changes go with their links, and no login leaves with a kept request', async () => {
  await store('1')
  const links = { hrefs: ['/about.html'], hrefPlaces: [4, 9], refreshTo: null }
  const keeper = new LinkKeeper('1')
  await keeper.keep(gathering.pages.map(({ url }) => ({ url, kept: links })))
  const facts = await earlierFacts((await database.runs.get('1'))!)
  expect(facts.pages.map(({ url }) => url).sort()).toEqual([GOOD_SITE, `${GOOD_SITE}about.html`])
  expect(facts.pages[0]).toMatchObject({ kept: links, facts: { title: expect.any(String) } })
  expect(facts.images.length).toBe(gathering.images.length)
  expect(facts.images.length).toBeGreaterThan(0)
  const request = { from: { kind: 'url' as const, start: GOOD_SITE }, site: null, earlier: facts }
  expect(CrawlRequest.safeParse(JSON.parse(JSON.stringify(request))).success).toBe(true)
  expect(keptRequest(request)).not.toHaveProperty('earlier')
  const told: string[] = []
  const earlier = earlierFrom(facts, (what) => told.push(what))
  expect(earlier.page(`${GOOD_SITE}visit.html`)).toBeNull()
  expect(earlier.pictureWith(facts.images.find(({ hash }) => hash)!.hash!)).not.toBeNull()
})
