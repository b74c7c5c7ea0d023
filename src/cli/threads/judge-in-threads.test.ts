import { writeFileSync } from 'node:fs'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { expect, test } from 'vitest'
import { type CheckContext, createCheckContext, type KeptVerdicts, runChecks } from '@/core/check'
import { gatherMemory } from '@/core/testing/build-run'
import { filesIn } from '../testing/files-in'
import { judgeInThreads } from './judge-in-threads'

/** The demo site, which has every kind of trouble. */
const DEMO = join(process.cwd(), 'demo', 'site')
const DEMO_SITE = 'https://brasswick.example/'

/** The demo site many times: a folder of it for each number, so that there is work for several. */
async function manyPages(times: number): Promise<CheckContext> {
  const gathering = await gatherMemory(Object.fromEntries(filesIn(DEMO)), DEMO_SITE)
  const pages = Array.from({ length: times }, (_, number) =>
    gathering.pages.map((page) => ({ ...page, url: page.url.replace(DEMO_SITE, `${DEMO_SITE}${number}/`) })),
  ).flat()
  return createCheckContext({ ...gathering, pages })
}

const verdictBy = (kept: KeptVerdicts, context: CheckContext) =>
  runChecks(context.gathering, context, '2026-11-28', (page) => kept.check(page, context))
const plain = ({ gathering }: CheckContext) => runChecks(gathering, createCheckContext(gathering), '2026-11-28')
const saidAhead = (kept: KeptVerdicts, { pages }: CheckContext) =>
  pages.filter(({ url }) => kept.stampOf(url) !== undefined).length

test('pages judged on several cores get the verdict that one gives', async () => {
  const context = await manyPages(5)
  const kept = await judgeInThreads(context, { threads: 2, fromPages: 1 })
  expect(saidAhead(kept, context)).toBe(context.pages.length)
  const verdict = verdictBy(kept, context)
  expect(verdict).toEqual(plain(context))
  expect(verdict.summary.error).toBeGreaterThan(0)
}, 60_000)

test('of a small run nothing is said ahead', async () => {
  const context = await manyPages(1)
  const kept = await judgeInThreads(context)
  expect(saidAhead(kept, context)).toBe(0)
  expect(verdictBy(kept, context)).toEqual(plain(context))
})

test('a thread that breaks costs no verdict', async () => {
  const file = join(await mkdtemp(join(tmpdir(), 'parrot-threads-')), 'broken.mjs')
  writeFileSync(file, 'export default () => { throw new Error("broken") }')
  const context = await manyPages(5)
  const kept = await judgeInThreads(context, { threads: 1, fromPages: 1, file: pathToFileURL(file).href })
  expect(saidAhead(kept, context)).toBeLessThan(context.pages.length)
  expect(verdictBy(kept, context)).toEqual(plain(context))
}, 60_000)
