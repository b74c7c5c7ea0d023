import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
const PARAGRAPH =
  '<p>A paragraph of some length, as pages have them, one after the other, with words in it.</p>'.repeat(40)

function writeFolder(folder: string, count: number): void {
  for (let section = 0; section < 10; section++) mkdirSync(join(folder, `p${section}`), { recursive: true })
  for (let index = 0; index < count; index++) {
    const head = `<meta charset="utf-8"><title>Page ${index} | Bench</title><meta name="description" content="Page ${index} says what it is about in a sentence."><meta property="og:title" content="Page ${index}"><link rel="canonical" href="https://bench.example/p${index % 10}/${index}.html">`
    writeFileSync(
      join(folder, `p${index % 10}`, `${index}.html`),
      `<!doctype html><html lang="en"><head>${head}</head><body><main><h1>Page ${index}</h1>${PARAGRAPH}</main></body></html>`,
    )
  }
}

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
