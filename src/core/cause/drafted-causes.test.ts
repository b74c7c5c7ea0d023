import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { expect, test } from 'vitest'
import { createCheckContext, runChecks } from '../check'
import { editPage, fieldsOfEdits, patchBuild } from '../draft'
import type { Gathering } from '../model'
import { gatherMemory, type MemoryBuild, memoryFiles } from '../testing/build-run'
import { buildOf, CLEAN_SITE, cleanSite } from '../testing/clean-site'
import { listedFindings } from '../testing/listed-findings'
import { casesToTry } from '../testing/property-runs'
import { SEEDED_FAULTS } from '../testing/seeded-faults'
import { findCauses, tryCauses } from './find-causes'

const judged = (gathering: Gathering) => listedFindings(runChecks(gathering, createCheckContext(gathering)))

/**
 * Keeps causes as drafts, patches the files and reads them again: the findings must be those that the edits which drafts
 * hold were said to leave.
 *
 * @returns how many tags no draft held
 */
async function throughDrafts(files: MemoryBuild, site: string | null, isChosen: (index: number) => boolean) {
  const gathering = await gatherMemory(files, site)
  const context = createCheckContext(gathering)
  const verdict = runChecks(gathering, context)
  const proved = findCauses(context, verdict.pages, verdict.findings, verdict.waived).filter((cause) => cause.proved)
  const chosen = proved.filter((_, index) => isChosen(index))
  const { edits } = tryCauses(context, verdict, new Set(chosen.map(({ id }) => id)))
  let left = 0
  const held = new Map<string, ReadonlyMap<string, string | null>>()
  const drafted = gathering.pages.flatMap((page) => {
    const own = edits.get(page.url)
    if (!own || !page.facts) return []
    const wanted = fieldsOfEdits(own, page.facts)
    left += wanted.left.length
    held.set(page.url, new Map([...own].filter(([tag]) => !wanted.left.includes(tag))))
    return [{ page, section: context.sections.get(page.url) ?? '/', fields: wanted.fields }]
  })
  const patched: MemoryBuild = { ...files }
  const imageOf = (url: string) => context.images.get(url)
  for await (const file of patchBuild(memoryFiles(files), gathering.source.site, drafted, { sections: {} }, imageOf)) {
    expect(['changed', 'unchanged'], JSON.stringify(file)).toContain(file.kind)
    if (file.kind === 'changed') patched[file.path] = file.bytes
  }
  const promised = gathering.pages.map((page) => editPage(page, held.get(page.url) ?? new Map()))
  expect(judged(await gatherMemory(patched, site)), chosen.map(({ change }) => change).join('\n')).toEqual(
    judged({ ...gathering, pages: promised }),
  )
  return { left, count: proved.length }
}

/** All causes in one go, then each by itself. */
async function eachAndAll(files: MemoryBuild, site: string | null) {
  const { count, left } = await throughDrafts(files, site, () => true)
  for (const at of casesToTry([...Array(count).keys()])) await throughDrafts(files, site, (index) => index === at)
  return { count, left }
}

function demo(): MemoryBuild {
  const root = new URL('../../../demo/site', import.meta.url).pathname
  const files = readdirSync(root, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
  return Object.fromEntries(
    files.map(({ parentPath, name }) => {
      const path = join(parentPath, name)
      return [relative(root, path), new Uint8Array(readFileSync(path))]
    }),
  )
}

test('the demo: each change, and all of them, do in the build what was said of them', { timeout: 60_000 }, async () => {
  const { count, left } = await eachAndAll(demo(), null)
  expect(count).toBeGreaterThan(12)
  // What no draft holds: a size that is declared wrong, an account, robots.txt, a share link.
  expect(left).toBeLessThan(8)
})

const withValues = Object.entries(SEEDED_FAULTS).filter(([, { asks }]) => asks === undefined)
test.each(casesToTry(withValues))('%s', async (_name, { make }) => {
  const site = cleanSite()
  make(site)
  await throughDrafts(buildOf(site), CLEAN_SITE, () => true)
})
