import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { judgeInThreads } from '../src/cli/threads/judge-in-threads'
import { createCheckContext, runChecks } from '../src/core/check'
import { gatherMemory } from '../src/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../src/core/testing/good-site'
import { mediansInTurn } from './measure'

const SECTIONS = 20
const ROUNDS = 5

/** All checks of a run by one thread, and with another that takes part of the pages: 5,000 and 20,000 pages, in turns. */
export async function run(): Promise<void> {
  const root = process.cwd()
  spawnSync(process.execPath, [join(root, 'scripts', 'build-command.mjs')], { cwd: root, stdio: 'ignore' })
  const file = pathToFileURL(join(root, 'packages', 'nimble-parrot', 'dist', 'judge-thread.mjs')).href
  for (const pages of [5_000, 20_000]) {
    const paths = Array.from({ length: pages }, (_, index) => `s${index % SECTIONS}/${index}.html`)
    const files = Object.fromEntries(paths.map((path, index) => [path, goodPage(path, `Page number ${index}`)]))
    const gathering = await gatherMemory(goodSite(files), GOOD_SITE)
    const judge = (threads: number) => async () => {
      // Cards are kept by their page: each round has pages of its own.
      const context = createCheckContext({ ...gathering, pages: gathering.pages.map((page) => ({ ...page })) })
      const kept = await judgeInThreads(context, { threads, fromPages: 1, file })
      runChecks(context.gathering, context, undefined, (page) => kept.check(page, context))
    }
    const [one, two] = (await mediansInTurn([judge(0), judge(1)], ROUNDS)) as [number, number]
    console.log(
      `${pages} pages: ${(one / 1000).toFixed(1)} s by one thread, ${(two / 1000).toFixed(1)} s by two: ${(two / one).toFixed(2)} × (medians of ${ROUNDS} in turns)`,
    )
  }
}
