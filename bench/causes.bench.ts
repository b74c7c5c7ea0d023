import { findCauses } from '../src/core/cause'
import { createCheckContext, runChecks } from '../src/core/check'
import { gatherMemory, type MemoryBuild } from '../src/core/testing/build-run'
import { DAMAGES, damagedPages, LARGE_SITE } from '../src/core/testing/damaged-site'
import { median, report } from './measure'

const PAGES = 10_000
const SECTIONS = 50
const FAULTS = 200
const TURNS = 3

/** A site whose faults stand on single pages, on sections, and a few on all pages: 200 of them. */
function faultySite(): MemoryBuild {
  const kinds = Object.keys(DAMAGES)
  return damagedPages(PAGES, SECTIONS, (page) => {
    // Two kinds everywhere, each section but the last ones three of its own, and single pages the rest.
    const ofSection = page.number % SECTIONS
    const own = ofSection < 40 ? [0, 1, 2].map((at) => kinds[(ofSection * 3 + at) % kinds.length]!) : []
    const ofPage = page.number % 128 === 77 ? [kinds[page.number % kinds.length]!] : []
    return ['no-canonical', 'no-site-name', ...own, ...ofPage]
  })
}

/** Finding and proving causes, beside the checks of the same run, in turns. */
export async function run(): Promise<void> {
  const gathering = await gatherMemory(faultySite(), LARGE_SITE)
  const checked: number[] = []
  const found: number[] = []
  let causes = 0
  let proved = 0
  for (let turn = 0; turn < TURNS; turn++) {
    const startedAt = performance.now()
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    checked.push(performance.now() - startedAt)
    const causesAt = performance.now()
    const list = findCauses(context, verdict.pages, verdict.findings, verdict.waived)
    found.push(performance.now() - causesAt)
    causes = list.length
    proved = list.filter((cause) => cause.proved).length
  }
  report(`checks, ${PAGES} pages, about ${FAULTS} faults`, median(checked))
  report(`causes found and proved: ${causes}, ${proved} of them proved`, median(found))
  console.log(`${''.padEnd(4)}${(median(found) / median(checked)).toFixed(2)} × the checks`)
}
