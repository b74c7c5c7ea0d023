import 'fake-indexeddb/auto'
import { gzipSync } from 'fflate'
import { beforeEach, describe, expect, test } from 'vitest'
import type { Gathering } from '@/core/model'
import { jsonLines, jsonPieces, runDocument } from '@/core/report'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { database } from '@/store/database'
import { overviewOf } from '@/store/overviews'
import { rowsOf } from '@/store/rows'
import { openRun } from './open-run'
import { storeRun } from './testing/store-run'

const faulty = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'og:image': null, 'twitter:card': null }) })
const many = goodSite(
  Object.fromEntries(
    Array.from({ length: 260 }, (_, index) => [`p${index}.html`, goodPage(`p${index}.html`, `P ${index}`)]),
  ),
)

const blobOf = (pieces: Iterable<string>) => new Blob([...pieces])
const open = (document: Blob, onPages: (pages: number) => void = () => undefined) => openRun(document, onPages)

/** What is kept, by table, without what every opening makes again. */
async function kept() {
  const tables = await Promise.all(database.tables.map(async (table) => [table.name, await table.count()] as const))
  return Object.fromEntries(tables.filter(([, count]) => count > 0))
}

const keptRows = async (run: string) => {
  const rows = await rowsOf(run)
  return rows
    .map(({ url, findings, faces, section }) => ({ url, findings, faces, section }))
    .sort((a, b) => (a.url < b.url ? -1 : 1))
}

let gathering: Gathering
beforeEach(async () => {
  for (const table of database.tables) await table.clear()
  gathering = await gatherMemory(faulty, GOOD_SITE)
})

describe('a run document becomes a run of this browser', () => {
  test('in every form, with the rows that gathering it here would have given', async () => {
    await storeRun('gathered', gathering)
    const gathered = await keptRows('gathered')
    const document = runDocument(gathering)
    const packed = new Blob([gzipSync(new TextEncoder().encode([...jsonLines(document)].join(''))) as BlobPart])
    for (const form of [blobOf(jsonPieces(document)), blobOf(jsonLines(document)), packed]) {
      await database.runs.clear()
      const opened = await open(form)
      if (opened.known) throw new Error('It is a new one.')
      expect(await keptRows(opened.run)).toEqual(gathered)
      expect(opened).toMatchObject({ site: GOOD_SITE, pages: 3, summary: document.summary })
      expect(opened.said).toEqual({
        error: document.summary.error,
        warning: document.summary.warning,
        note: document.summary.note,
        verdict: 'not-clear',
      })
      expect(await database.runs.get(opened.run)).toMatchObject({ imported: true, state: 'done', pages: 3 })
      expect(await overviewOf(opened.run)).toMatchObject({ causes: expect.any(Array) })
    }
  })

  test('what holds here is what it is judged by, and what the document says is told beside it', async () => {
    const document = runDocument(gathering, { levels: { 'card-missing': 'error' } })
    const opened = await open(blobOf(jsonLines(document)))
    if (opened.known) throw new Error('It is a new one.')
    expect(opened.said.error).toBe(opened.summary.error + 1)
  })

  test('pages are told as they come, and opening it twice is one run', async () => {
    const document = runDocument(await gatherMemory(many, GOOD_SITE))
    const told: number[] = []
    const first = await open(blobOf(jsonLines(document)), (pages) => told.push(pages))
    expect(told).toEqual([250, 263])
    const before = await kept()
    expect(await open(blobOf(jsonPieces(document)))).toEqual({ known: true, run: first.run, site: GOOD_SITE })
    expect(await kept()).toEqual(before)
  })
})

describe('what is no whole document leaves nothing behind', () => {
  const lines = () => [...jsonLines(runDocument(gathering))]
  test.each<[string, () => Blob, RegExp]>([
    ['a document that breaks off', () => blobOf(lines().slice(0, -1)), /breaks off after \d+ lines/],
    [
      'one that is packed and breaks off',
      () => new Blob([gzipSync(new Uint8Array(5000)).subarray(0, 30) as BlobPart]),
      /unpacked/,
    ],
    ['a picture', () => new Blob([new Uint8Array([0x89, 0x50])]), /no JSON object/],
    ['nothing', () => new Blob([]), /breaks off/],
    ['requirements', () => new Blob(['{"format":"nimble-parrot-requirements"}']), /no run document/],
    [
      'a page that is none',
      () => blobOf([...lines().slice(0, 2), '{"page":{"url":"javascript:x"}}\n', ...lines().slice(2)]),
      /page 2: url/,
    ],
  ])('%s', async (_, document, fault) => {
    await expect(open(document())).rejects.toThrow(fault)
    expect(await kept()).toEqual({})
  })
})
