import { readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import { listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium, root } from '../scripts/setup.mjs'
import { FLAGS } from './browser'

const TYPED = ' and keep the lamp safe for many a winter'
/** Pause between keys, in ms: a quick typist's. */
const PAUSE_MS = 120

type TraceEvent = {
  name: string
  pid: number
  tid: number
  ts: number
  dur?: number
  tdur?: number
  args?: { data?: { type?: string } }
}
/**
 * Times in ms: of the longest task that the main thread does for a key, in the median and at the ninth tenth (the last
 * tenth is the machine's: a bare field has tasks of 300 ms there when the processor is shared), and what a key costs
 * altogether.
 */
type Cost = { median: number; high: number; perKey: number }

const sorted = (values: number[]) => values.sort((a, b) => a - b)

/** Types into whatever has the cursor, and reads from Chromium's trace what the main thread did for it. */
async function typingCost(browser: Browser, page: Page): Promise<Cost> {
  const path = join(tmpdir(), `parrot-typing-${process.pid}.json`)
  await browser.startTracing(page, { path, categories: ['toplevel', 'devtools.timeline'] })
  for (const character of TYPED) {
    await page.keyboard.type(character)
    await page.waitForTimeout(PAUSE_MS)
  }
  await page.waitForTimeout(300)
  await browser.stopTracing()
  const { traceEvents } = JSON.parse(readFileSync(path, 'utf8')) as { traceEvents: TraceEvent[] }
  rmSync(path)
  const keys = traceEvents.filter(({ name, args }) => name === 'EventDispatch' && args?.data?.type === 'keydown')
  const thread = keys[0]!
  // Chromium's own work of ending the trace comes after the last key's turn.
  const until = keys.at(-1)!.ts + PAUSE_MS * 1000
  const tasks = traceEvents.filter(
    ({ name, pid, tid, ts }) =>
      name.endsWith('RunTask') && pid === thread.pid && tid === thread.tid && ts >= thread.ts - 2000 && ts < until,
  )
  const ofKeys = keys.map(({ ts }, index) => {
    const end = keys[index + 1]?.ts ?? Number.POSITIVE_INFINITY
    return tasks.filter((task) => task.ts >= ts - 2000 && task.ts < end - 2000)
  })
  const longest = sorted(ofKeys.map((own) => Math.max(...own.map(({ dur = 0 }) => dur))))
  const sums = sorted(ofKeys.map((own) => own.reduce((sum, { tdur = 0 }) => sum + tdur, 0)))
  const at = (values: number[], share: number) => values[Math.floor((values.length - 1) * share)]! / 1000
  return { median: at(longest, 0.5), high: at(longest, 0.9), perKey: at(sums, 0.5) }
}

/** Typing a title while ten cards, findings and cut marks answer, beside the same keys in a bare text field. */
export async function run(): Promise<void> {
  ensureBuild()
  const site = serveFolder(join(root, 'demo', 'site'))
  const demo = await listen(site, 4333)
  const { app, address } = await startApp({ port: 4332, demo })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await page.setContent('<textarea autofocus rows="4" cols="40"></textarea>')
    await page.locator('textarea').focus()
    await page.keyboard.type(TYPED)
    const bare = await typingCost(browser, page)
    await page.goto(address)
    await page.getByRole('button', { name: 'Gather the demo' }).click()
    await page.getByText('brasswick.example is gathered.').waitFor({ timeout: 120_000 })
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await page.waitForURL(/\/wall/)
    const draft = new URL(page.url())
    draft.pathname = '/page'
    draft.searchParams.set('page', '/guides/rewire-a-lamp')
    draft.searchParams.set('pane', 'draft')
    await page.goto(draft.href)
    const field = page.getByRole('tabpanel').locator('textarea').first()
    await field.fill('Rewire a lamp')
    await page.waitForTimeout(2000)
    // Once before it counts: the code of a path that was never run is compiled on the way.
    await page.keyboard.type(TYPED)
    await field.fill('Rewire a lamp')
    await page.waitForTimeout(1000)
    const full = await typingCost(browser, page)
    const line = (what: string, ours: number, beside: number) =>
      console.log(
        `${what.padEnd(44)} ${ours.toFixed(1).padStart(6)} ms   beside ${beside.toFixed(1)} ms: ${(ours / beside).toFixed(1)} ×`,
      )
    console.log(`${TYPED.length} keys into a title, ten cards answering; beside a bare text field`)
    line('longest task for a key, median', full.median, bare.median)
    line('longest task for a key, nine tenths under', full.high, bare.high)
    line('processor time of the main thread a key', full.perKey, bare.perKey)
  } finally {
    await browser.close()
    app.kill()
    site.close()
  }
}
