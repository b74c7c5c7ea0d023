import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'
import { FLAGS, writeFolder } from './browser'

const SIZES = [100, 10_000]
const TIMES = 5

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** Opens the Wall of a folder of so many pages. */
async function openWall(page: Page, address: string, folder: string): Promise<void> {
  await page.goto(address)
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await page.getByText('bench.example is gathered.').waitFor({ timeout: 400_000 })
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button').first().waitFor()
  await page.waitForTimeout(4000)
}

/** Time from an event in the page until the wall shows what it asked for, and the frame after. */
async function timeToPaint(page: Page, act: { key: string; surface: string } | { button: string }): Promise<number> {
  return page.evaluate(async (what) => {
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve))
    const filter = () =>
      [...document.querySelectorAll('button')].find(
        (button) => 'button' in what && button.textContent?.startsWith(what.button),
      )
    const isThere = () =>
      'key' in what
        ? document.querySelector(`[role=radio][aria-label="${what.surface}"]`)?.getAttribute('aria-checked') === 'true'
        : filter()?.getAttribute('aria-pressed') === 'true'
    await frame()
    const startedAt = performance.now()
    if ('key' in what) document.body.dispatchEvent(new KeyboardEvent('keydown', { key: what.key, bubbles: true }))
    else filter()!.click()
    while (!isThere()) await frame()
    await frame()
    return performance.now() - startedAt
  }, act)
}

/**
 * Longest task in ms while the wall is scrolled; 0 when none took over 50 ms.
 * @param pace from end to end in 200 frames, or half of what is in sight a frame, which draws every card it comes by
 */
async function longestWhileScrolling(page: Page, pace: 'end-to-end' | 'half-a-pane'): Promise<number> {
  return page.evaluate(async (how) => {
    const tasks: number[] = []
    const observer = new PerformanceObserver((list) => tasks.push(...list.getEntries().map(({ duration }) => duration)))
    observer.observe({ type: 'longtask' })
    const pane = document.querySelector<HTMLElement>('section[aria-label="Cards"]')!
    const steps = 200
    for (let step = 0; step <= steps; step++) {
      const far = how === 'end-to-end' ? (pane.scrollHeight - pane.clientHeight) / steps : pane.clientHeight / 2
      pane.scrollTop = far * step
      await new Promise((resolve) => requestAnimationFrame(resolve))
    }
    await new Promise((resolve) => setTimeout(resolve, 300))
    observer.disconnect()
    return Math.max(0, ...tasks)
  }, pace)
}

/** Surface switch, filter and scrolling on a run of 10,000 pages, each beside the same on a run of 100. */
export async function run(): Promise<void> {
  ensureBuild()
  const here = mkdtempSync(join(tmpdir(), 'parrot-wall-'))
  const { app, address } = await startApp({ port: 4331, demo: '' })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  const results: Record<string, number>[] = []
  try {
    for (const count of SIZES) {
      const folder = join(here, String(count))
      writeFolder(folder, count)
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
      await openWall(page, address, folder)
      const switches: number[] = []
      const filters: number[] = []
      const scrolls: number[] = []
      const slowScrolls: number[] = []
      for (let turn = 0; turn < TIMES; turn++) {
        switches.push(await timeToPaint(page, { key: '6', surface: 'Team chat' }))
        await page.waitForTimeout(400)
        await timeToPaint(page, { key: '1', surface: 'Wide feed' })
        await page.waitForTimeout(400)
        filters.push(await timeToPaint(page, { button: 'With errors' }))
        await page.waitForTimeout(400)
        await timeToPaint(page, { button: 'Everything' })
        await page.waitForTimeout(400)
        scrolls.push(await longestWhileScrolling(page, 'end-to-end'))
        await page.waitForTimeout(400)
        slowScrolls.push(await longestWhileScrolling(page, 'half-a-pane'))
        await page.waitForTimeout(400)
      }
      const bytes = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0)
      results.push({
        'surface switch': median(switches),
        filter: median(filters),
        'longest task, end to end': median(scrolls),
        'longest task, half a pane a frame': median(slowScrolls),
      })
      console.log(
        `${count.toLocaleString('en').padStart(7)} pages: ${Math.round(bytes / count)} bytes a page in the browser's storage`,
      )
      await page.context().close()
    }
    const [few, many] = results as [Record<string, number>, Record<string, number>]
    for (const [what, ms] of Object.entries(many)) {
      const control = Math.max(few[what]!, 1)
      console.log(
        `${what.padEnd(34)} ${ms.toFixed(0).padStart(5)} ms   beside ${few[what]!.toFixed(0)} ms: ${(ms / control).toFixed(1)} ×`,
      )
    }
  } finally {
    await browser.close()
    app.kill()
    rmSync(here, { recursive: true })
  }
}
