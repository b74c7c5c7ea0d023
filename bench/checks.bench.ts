import { findCauses, overviewOf } from '../src/core/cause'
import { createCheckContext, runChecks } from '../src/core/check'
import type { Gathering } from '../src/core/model'
import { gatherMemory } from '../src/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../src/core/testing/good-site'
import { liveHeap, report } from './measure'

const SECTIONS = 20

/** A site of so many pages in sections; every tenth page has an empty tag, every fourth shares its title with others. */
async function siteOf(pages: number): Promise<Gathering> {
  const empty = { 'og:description': '<meta property="og:description" content="">' }
  const files = Object.fromEntries(
    Array.from({ length: pages }, (_, index) => {
      const path = `s${index % SECTIONS}/${index}.html`
      const name = index % 4 === 0 ? `Page ${index % 1000}` : `Page number ${index}`
      const head = {
        'og:image': `<meta property="og:image" content="${GOOD_SITE}img/Roses.png">`,
        ...(index % 10 === 0 ? empty : {}),
      }
      return [path, goodPage(path, name, head)]
    }),
  )
  return gatherMemory(goodSite(files), GOOD_SITE)
}

const heapMb = () => liveHeap() / 1_000_000

/** All checks, causes and the overview of a run: time a page and memory, of 50,000 pages beside 5,000. */
export async function run(): Promise<void> {
  let before: { perPage: number } | null = null
  for (const pages of [5_000, 50_000]) {
    const gathering = await siteOf(pages)
    const heap = heapMb()
    const startedAt = performance.now()
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    const checked = performance.now() - startedAt
    const causes = findCauses(context, verdict.pages, verdict.findings)
    const overview = overviewOf(context)
    const all = performance.now() - startedAt
    report(`checks, ${pages} pages`, checked)
    report(`causes and overview, ${causes.length} causes, ${overview.coverage.length} sections`, all - checked)
    const perPage = all / pages
    console.log(
      `${''.padEnd(4)}${(perPage * 1000).toFixed(0)} µs a page${before ? `, ${(perPage / before.perPage).toFixed(2)} × that of 5,000 pages` : ''}`,
    )
    console.log(
      `${''.padEnd(4)}${(heapMb() - heap).toFixed(0)} MB of heap beside the ${heap.toFixed(0)} MB that the pages take`,
    )
    before ??= { perPage }
  }
}
