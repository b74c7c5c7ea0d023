import { describe, expect, test } from 'vitest'
import { createCheckContext, inWords, runChecks } from '../check'
import type { CrawlEnvironment } from '../crawl'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { buildOf, CLEAN_SITE, type CleanSite, cleanSite } from '../testing/clean-site'
import { unfilledOf } from '../testing/describe-check'
import { HARMLESS_TWINS } from '../testing/harmless-twins'
import { SEEDED_FAULTS } from '../testing/seeded-faults'
import { findCauses, tryCauses } from './find-causes'

/** The site's host of images has those of the build; no other host answers. */
const hostOfImages =
  (files: MemoryBuild): CrawlEnvironment['read'] =>
  async ({ url }) => {
    const { hostname, pathname } = new URL(url)
    const body = hostname === 'images.lanterns.example' ? files[pathname.slice(1)] : undefined
    if (!(body instanceof Uint8Array)) return { kind: 'failed', code: 'refused', message: 'Nothing answers.', ms: 0 }
    return { kind: 'answered', status: 200, headers: { 'content-type': 'image/png' }, body, isCut: false, ms: 0 }
  }

/** What is said of the clean site with one change, finding by finding, and what it comes to as causes. */
async function saidOf(make: (site: CleanSite) => void) {
  const site = cleanSite()
  make(site)
  const files = buildOf(site)
  const gathering = await gatherMemory(files, CLEAN_SITE, hostOfImages(files))
  const context = createCheckContext(gathering)
  const verdict = runChecks(gathering, context)
  const { pages, findings, waived } = verdict
  const all = [...pages.flatMap((page) => page.findings), ...findings]
  const causes = findCauses(context, pages, findings, waived)
  return {
    rules: [...new Set(all.map(({ rule }) => rule))].sort(),
    words: all.map((finding) => `${finding.level} ${finding.rule}: ${inWords(finding).message}`),
    causes,
    unfilled: all.flatMap(unfilledOf),
    /** What the home page, else the first page of the causes, is to say by them, tag by tag. */
    written: () => {
      const { edits } = tryCauses(context, verdict, new Set(causes.map(({ id }) => id)))
      const url = edits.has(CLEAN_SITE) ? CLEAN_SITE : causes[0]!.pages.find((one) => edits.has(one))
      const own = url === undefined ? undefined : edits.get(url)
      return Object.fromEntries([...(own ?? [])].map(([tag, value]) => [tag, value === url ? '{page}' : value]))
    },
  }
}

describe('a site of 25 pages without a fault', () => {
  test('has no finding', async () => {
    expect((await saidOf(() => {})).words).toEqual([])
  })

  test.each(Object.entries(HARMLESS_TWINS))('has none with %s', async (_name, make) => {
    expect((await saidOf(make)).words).toEqual([])
  })
})

describe('one fault is found, told once, and is one cause', () => {
  test.each(Object.entries(SEEDED_FAULTS))('%s', async (_name, fault) => {
    const { make, finds, findings = finds.length, causes = 1, asks, writes } = fault
    const said = await saidOf(make)
    expect(said.unfilled).toEqual([])
    expect(said.rules).toEqual([...finds].sort())
    expect(said.words.length, said.words.join('\n')).toBe(findings)
    expect(said.causes.map(({ change }) => change)).toHaveLength(causes)
    if (asks !== undefined) {
      expect(said.causes).toMatchObject([{ needs: `a decision: ${asks}`, proved: false, edits: [] }])
      expect(said.written()).toEqual({})
    }
    if (writes !== undefined) {
      expect(said.causes).toMatchObject([{ proved: true }])
      expect(said.written()).toEqual(writes)
    }
  })
})
