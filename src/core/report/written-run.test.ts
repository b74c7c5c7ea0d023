import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, test } from 'vitest'
import { readRunDocument, runDocumentJsonSchema, WrittenRun } from '../document'
import type { Gathering } from '../model'
import type { Requirements } from '../requirements'
import { builtInSurfaces } from '../surface'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { buildOf, CLEAN_SITE, cleanSite } from '../testing/clean-site'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { SEEDED_FAULTS } from '../testing/seeded-faults'
import { baselineOf } from './baseline'
import { type DocumentOptions, runDocument } from './run-document'
import { runAsJson } from './run-pieces'

/** Fails where a field is missing, of another type, or not in the schema at all. */
function expectWritten(
  gathering: Gathering,
  requirements: Requirements = {},
  options: DocumentOptions = {},
): WrittenRun {
  const written = JSON.parse(runAsJson(runDocument(gathering, requirements, '2026-12-02', options)))
  const read = WrittenRun.parse(written)
  expect(read).toEqual(written)
  return read
}

function demo(): MemoryBuild {
  const root = join(process.cwd(), 'demo', 'site')
  const files = readdirSync(root, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
  return Object.fromEntries(
    files.map(({ parentPath, name }) => {
      const path = join(parentPath, name)
      return [relative(root, path), new Uint8Array(readFileSync(path))]
    }),
  )
}

test('the demo, with and without its production URL', async () => {
  const named = expectWritten(await gatherMemory(demo(), 'https://brasswick.example/'))
  expect(named.pages.length).toBeGreaterThan(40)
  const nameless = goodPage('', 'Roses', { canonical: null, 'og:url': null, 'og:image': null })
  const { source } = expectWritten(await gatherMemory({ 'index.html': nameless }, null))
  expect(source.site).toBeNull()
})

test('requirements, waivers, a baseline, somebody’s yes, places of one’s own', async () => {
  const gathering = await gatherMemory(
    goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'og:title': null, 'twitter:card': null }) }),
    GOOD_SITE,
  )
  const before = JSON.parse(runAsJson(runDocument(await gatherMemory(goodSite(), GOOD_SITE))))
  const earlier = readRunDocument(JSON.stringify(before))
  if (!earlier.ok) throw new Error('The earlier run can’t be read.')
  const written = expectWritten(
    gathering,
    {
      waivers: [{ rule: 'og-title-missing', pages: '/about.html', reason: 'until spring', by: 'Ada' }],
      ownSurfaces: [{ ...builtInSurfaces[0]!, id: 'noticeboard' }],
    },
    {
      baseline: baselineOf(earlier.document),
      signedOff: { by: 'Ada', at: '2026-12-01T10:00:00Z', run: 'sha256:0', waived: 1 },
      requirementsFile: { name: 'nimble-parrot.json', hash: 'sha256:1', lineOf: () => null },
    },
  )
  expect(written.baseline).toBeDefined()
  expect(written.ownSurfaces).toHaveLength(1)
  expect(written.judgedBy).toBeDefined()
  expect(written.pages.some(({ waived }) => waived)).toBe(true)
})

test.each(Object.entries(SEEDED_FAULTS))('a site with %s', async (_name, { make }) => {
  const site = cleanSite()
  make(site)
  expectWritten(await gatherMemory(buildOf(site), CLEAN_SITE))
})

test('run-document.schema.json is what the schema says: npm run docs', () => {
  const doc = readFileSync(join(process.cwd(), 'docs', 'run-document.schema.json'), 'utf8')
  expect(JSON.parse(doc)).toEqual(JSON.parse(JSON.stringify(runDocumentJsonSchema())))
})
