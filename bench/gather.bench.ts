import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'
import { FLAGS, writeFolder } from './browser'

/** Pages a second of a folder through the real interface, and the longest task of the tab's main thread. */
export async function run(): Promise<void> {
  ensureBuild()
  const here = mkdtempSync(join(tmpdir(), 'parrot-bench-'))
  const { app, address } = await startApp({ port: 4330, demo: '' })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  try {
    const longest: number[] = []
    for (const count of [50, 5000]) {
      const folder = join(here, String(count))
      writeFolder(folder, count)
      const page = await (await browser.newContext()).newPage()
      await page.addInitScript(() => {
        const tasks: number[] = []
        Object.assign(window, { tasks })
        // What the browser itself does to hand over the list comes before this event, and is not ours.
        document.addEventListener('change', () => Object.assign(window, { chosenAt: performance.now() }), true)
        new PerformanceObserver((list) =>
          tasks.push(
            ...list
              .getEntries()
              .map(({ startTime, duration }) =>
                Math.min(duration, startTime + duration - ((window as unknown as { chosenAt?: number }).chosenAt ?? 0)),
              ),
          ),
        ).observe({
          type: 'longtask',
          buffered: true,
        })
      })
      await page.goto(address)
      await page.waitForTimeout(1500)
      await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks.splice(0))
      const startedAt = performance.now()
      await page.getByLabel('Choose a folder').setInputFiles(folder)
      await page.getByText('bench.example is gathered.').waitFor({ timeout: 240_000 })
      const seconds = (performance.now() - startedAt) / 1000
      const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks)
      longest.push(Math.max(0, ...tasks))
      console.log(
        `${String(count).padStart(5)} pages: ${seconds.toFixed(1)} s, ${Math.round(count / seconds)} pages a second, ${tasks.length} tasks over 50 ms, longest ${Math.round(Math.max(0, ...tasks))} ms`,
      )
      await page.context().close()
    }
    console.log(
      `longest task of the large folder: ${(longest[1]! / Math.max(50, longest[0]!)).toFixed(2)} × that of the small one (under 50 ms counts as 50)`,
    )
  } finally {
    await browser.close()
    app.kill()
    rmSync(here, { recursive: true })
  }
}
