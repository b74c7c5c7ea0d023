import { describe, expect, test } from 'vitest'
import { createCheckContext, runChecks } from '../check'
import { patchPage } from '../draft/patch-page'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { buildOf, CLEAN_SITE, cleanSite } from '../testing/clean-site'
import { listedFindings } from '../testing/listed-findings'
import { SEEDED_FAULTS } from '../testing/seeded-faults'
import type { Cause } from './cause'
import { findCauses, tryCauses } from './find-causes'

const bytesOf = (content: string | Uint8Array) =>
  typeof content === 'string' ? new TextEncoder().encode(content) : content

/** How a tag is written is changed by hand: drafts hold what tags say. */
const OF_FORM = new Set(['tag-attribute', 'tag-misspelled', 'tag-repeated', 'tag-repeated-same', 'tag-outside-head'])

const isWritten = ({ proved, edits, where, rules }: Cause) =>
  proved &&
  where !== 'server' &&
  !rules.some((rule) => OF_FORM.has(rule)) &&
  edits.every(({ tag }) => !/^(?:head|link|share link|charset)$/.test(tag))

describe('edits that are offered with values, carried out on the files and read anew', () => {
  const withValues = Object.entries(SEEDED_FAULTS).filter(([, { asks }]) => asks === undefined)

  test.each(withValues)('%s', async (_name, { make }) => {
    const site = cleanSite()
    make(site)
    const files = buildOf(site)
    const gathering = await gatherMemory(files, CLEAN_SITE)
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    const causes = findCauses(context, verdict.pages, verdict.findings, verdict.waived).filter(isWritten)
    const tried = tryCauses(context, verdict, new Set(causes.map(({ id }) => id)))
    if (tried.edits.size === 0) return
    const promised = listedFindings(runChecks(tried.gathering, tried.context))
    const patched: MemoryBuild = { ...files }
    for (const { url, file } of gathering.pages) {
      const edits = tried.edits.get(url)
      if (!edits || file === null) continue
      const patch = patchPage(bytesOf(files[file]!), edits)
      expect(patch.kind).toBe('patched')
      if (patch.kind === 'patched') patched[file] = patch.bytes
    }
    const read = await gatherMemory(patched, CLEAN_SITE)
    expect(listedFindings(runChecks(read, createCheckContext(read)))).toEqual(promised)
  })
})
