import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, test } from 'vitest'
import type { DraftFields } from '@/core/draft'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { storeRun } from './testing/store-run'
import { runTryDrafts } from './try-drafts'

const ABOUT = `${GOOD_SITE}about.html`
const MADE = `${GOOD_SITE}img/made.png`
const at = '2026-11-23T09:00:00Z'
const draft = (fields: DraftFields, landedAt: string | null = null) =>
  database.drafts.put({ site: GOOD_SITE, url: ABOUT, fields, against: {}, madeAt: at, changedAt: at, landedAt })

beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  // A page without a description, which is an error.
  const about = goodPage('about.html', 'Ferns', { description: null, 'og:description': null })
  await storeRun('built', await gatherMemory(goodSite({ 'about.html': about }), GOOD_SITE))
})

const rulesOf = async (run: string) => {
  const { findings, summary } = (await database.runs.get(run))!
  return { whole: findings.map(({ rule }) => rule), errors: summary!.error }
}

describe('a run with all that is drafted', () => {
  test('is judged with it, and leaves the run that is built as it was', async () => {
    const before = JSON.stringify([
      await database.runs.get('built'),
      await database.pages.where('run').equals('built').toArray(),
    ])
    expect((await rulesOf('built')).errors).toBeGreaterThan(0)
    await draft({ description: 'Ferns that grow in the shade of the hall, and how they are kept.' })
    await runTryDrafts({ kind: 'try-drafts', runId: 'drafted', parent: 'built' })
    expect((await rulesOf('drafted')).errors).toBe(0)
    const page = (await database.pages.get(['drafted', ABOUT]))!.page
    expect(page.facts!.description).toMatch(/^Ferns that grow/)
    // Pages that no draft changes are those of the build.
    expect(await database.pages.where('run').equals('drafted').count()).toBe(1)
    expect(await database.runs.get('drafted')).toMatchObject({
      base: 'built',
      tried: { run: 'built', draftedPages: 1 },
    })
    expect(
      JSON.stringify([await database.runs.get('built'), await database.pages.where('run').equals('built').toArray()]),
    ).toBe(before)
  })

  test('has pictures that were added here, with what is wrong with them', async () => {
    const [known] = await database.images.where('run').equals('built').toArray()
    const image = { ...known!.image, url: MADE, hash: 'sha256:made', width: 100, height: 50 }
    await database.images.put({ run: 'built', url: MADE, image, made: true })
    await draft({ image: MADE })
    await runTryDrafts({ kind: 'try-drafts', runId: 'drafted', parent: 'built' })
    const facts = (await database.pages.get(['drafted', ABOUT]))!.page.facts!
    expect(facts.metas.find(({ key }) => key === 'og:image')!.value).toBe(MADE)
    expect((await database.images.get(['drafted', MADE]))!.image.width).toBe(100)
  })

  test('defaults and patterns count, what has landed is the build’s', async () => {
    await draft({ description: 'Landed long ago.' }, at)
    await database.defaults.put({
      site: GOOD_SITE,
      defaults: { account: '@hall', sections: { '/about.html': { titlePattern: '{title}, by hand' } } },
    })
    await runTryDrafts({ kind: 'try-drafts', runId: 'drafted', parent: 'built' })
    const facts = (await database.pages.get(['drafted', ABOUT]))!.page.facts!
    expect(facts.description).toBe(null)
    expect(facts.title).toMatch(/, by hand$/)
  })

  test('takes the place of what was tried before', async () => {
    await draft({ title: 'One' })
    await runTryDrafts({ kind: 'try-drafts', runId: 'first', parent: 'built' })
    await runTryDrafts({ kind: 'try-drafts', runId: 'second', parent: 'built' })
    expect((await database.runs.toArray()).map(({ id }) => id).sort()).toEqual(['built', 'second'])
  })
})
