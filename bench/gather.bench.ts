import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'
import { FLAGS, noteTasks, writeFolder } from './browser'

type Measured = { seconds: number; tasks: number[] }

/** Gathers a folder through the real interface. @param slowdown how many times slower the tab's main thread runs */
async function gather(browser: Browser, address: string, folder: string, slowdown: number): Promise<Measured> {
  const page = await (await browser.newContext()).newPage()
  await page.addInitScript(noteTasks)
  if (slowdown > 1) {
    const devtools = await page.context().newCDPSession(page)
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: slowdown })
  }
  await page.goto(address)
  await page.waitForTimeout(1500 * slowdown)
  await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks.splice(0))
  const startedAt = performance.now()
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await page.getByText('bench.example is gathered.').waitFor({ timeout: 240_000 })
  const seconds = (performance.now() - startedAt) / 1000
  const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks)
  await page.context().close()
  return { seconds, tasks }
}

/** Pages a second of a folder through the real interface, and the longest task of the tab's main thread. */
export async function run(): Promise<void> {
  ensureBuild()
  const here = mkdtempSync(join(tmpdir(), 'parrot-bench-'))
  const { app, address } = await startApp({ port: 4330, demo: '' })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  const counts = [50, 5000]
  try {
    for (const count of counts) writeFolder(join(here, String(count)), count)
    for (const slowdown of [1, 3]) {
      console.log(slowdown === 1 ? 'as the machine is:' : `the tab’s main thread ${slowdown} times slower:`)
      const longest: number[] = []
      for (const count of counts) {
        const { seconds, tasks } = await gather(browser, address, join(here, String(count)), slowdown)
        longest.push(Math.max(0, ...tasks))
        const over = tasks.filter((ms) => ms > 50).length
        console.log(
          `${String(count).padStart(5)} pages: ${seconds.toFixed(1)} s, ${Math.round(count / seconds)} pages a second, ${over} tasks over 50 ms, longest ${Math.round(longest.at(-1)!)} ms`,
        )
      }
      const ratio = longest[1]! / Math.max(50, longest[0]!)
      console.log(
        `longest task of the large folder: ${ratio.toFixed(2)} × that of the small one (under 50 counts as 50)`,
      )
    }
  } finally {
    await browser.close()
    app.kill()
    rmSync(here, { recursive: true })
  }
}
