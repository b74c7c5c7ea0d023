import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import type { Gathering } from '@/core/model'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { overviewOf } from '@/store/overviews'
import { rowsOf } from '@/store/rows'
import { exportRun } from './export-run'
import { recheck } from './look-again'
import { storeRun } from './testing/store-run'

const PLAIN = { onePage: false, timeZone: 'UTC' }
const RUN = '261123-0912-abc'

async function stored(): Promise<Gathering> {
  const gathering = await gatherMemory(
    goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }) }),
    GOOD_SITE,
  )
  await storeRun(RUN, gathering)
  return gathering
}

beforeEach(async () => {
  await Promise.all(
    [database.runs, database.pages, database.rowParts, database.images, database.overviews, database.requirements].map(
      (table) => table.clear(),
    ),
  )
  await stored()
})

const rulesOf = async () =>
  (await rowsOf(RUN)).find(({ path }) => path === '/about.html')!.findings.map(({ rule }) => rule)

describe('judging a run', () => {
  test('writes its causes and what charts draw', async () => {
    const kept = await overviewOf(RUN)
    expect(kept!.causes).toMatchObject([{ rule: 'card-missing', pages: [`${GOOD_SITE}about.html`] }])
    expect(kept!.overview.lengths).toHaveLength(3)
  })

  test('again by other requirements: other findings, the same pages', async () => {
    expect(await rulesOf()).toEqual(['card-missing'])
    await database.requirements.put({ site: GOOD_SITE, requirements: { levels: { 'card-missing': 'off' } } })
    await recheck(RUN)
    expect(await rulesOf()).toEqual([])
    const run = await database.runs.get(RUN)
    expect(run!.summary).toMatchObject({ warning: 0, clear: true })
    expect(run!.touchedAt).toBeGreaterThan(1)
    expect((await overviewOf(RUN))!.causes).toEqual([])
    expect(await database.pages.count()).toBe(3)
  })

  test('a waiver that has ended is said in the run, once', async () => {
    const waivers = [{ rule: 'card-missing', reason: 'x', by: 'Ada', until: '2020-01-01' }]
    await database.requirements.put({ site: GOOD_SITE, requirements: { waivers } })
    await recheck(RUN)
    await recheck(RUN)
    expect((await database.runs.get(RUN))!.notes.filter(({ kind }) => kind === 'waiver-ended')).toHaveLength(1)
  })

  test('is written in the forms of the command, by the same requirements', async () => {
    await database.requirements.put({ site: GOOD_SITE, requirements: { levels: { 'card-missing': 'error' } } })
    const document = JSON.parse(await (await exportRun(RUN, 'json', PLAIN)).text())
    expect(document.summary).toMatchObject({ pages: 3, error: 1, clear: false })
    expect(await (await exportRun(RUN, 'markdown', PLAIN)).text()).toMatch(/^### Not clear for launch: 1 error/)
    await expect(exportRun(RUN, 'pdf', PLAIN)).rejects.toThrow(/no form “pdf”/)
    await expect(exportRun('gone', 'json', PLAIN)).rejects.toThrow(/not in this browser/)
  })
})
