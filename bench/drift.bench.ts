import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'
import { type ComparedRun, compareRuns, gatheringCompared } from '../src/core/compare'
import { noRequirements } from '../src/core/requirements'
import { gatherMemory } from '../src/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../src/core/testing/good-site'
import { FLAGS, writeFolder } from './browser'
import { mediansInTurn, report } from './measure'

const CORE_PAGES = 2_000
const SIZES = [100, 10_000]
/** One page in so many is edited. */
const EDITED_EVERY = 100
const MOVES = 20

/** A site of so many pages, of which some say something else once they are edited. */
async function sideOf(pages: number, isEdited: boolean): Promise<ComparedRun> {
  const files = Object.fromEntries(
    Array.from({ length: pages }, (_, index) => {
      const path = `s${index % 20}/${index}.html`
      const name = isEdited && index % EDITED_EVERY === 0 ? `Edited page ${index}` : `Page ${index}`
      return [
        path,
        goodPage(path, name, { 'og:image': `<meta property="og:image" content="${GOOD_SITE}img/Roses.png">` }),
      ]
    }),
  )
  return gatheringCompared(await gatherMemory(goodSite(files), GOOD_SITE), [], noRequirements)
}

/** Comparing two runs, beside the same with the cards of all pages made. */
async function benchCore(): Promise<void> {
  const [before, after] = [await sideOf(CORE_PAGES, false), await sideOf(CORE_PAGES, true)]
  const unknown = { ...before, surroundings: null }
  const [quick, whole] = await mediansInTurn([() => compareRuns(before, after), () => compareRuns(unknown, after)], 5)
  const baseline = { name: 'all cards made', ms: whole! }
  report(`comparing, ${CORE_PAGES} pages, 1 in ${EDITED_EVERY} edited`, quick!, baseline)
}

/** Watches for long tasks from now on. */
const watch = (page: Page) =>
  page.evaluate(() => {
    const held = window as unknown as { tasks: number[] }
    held.tasks = []
    new PerformanceObserver((list) => held.tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
      type: 'longtask',
    })
  })

/** Longest task in ms since the last time; 0 when none took over 50 ms. */
const longest = (page: Page) =>
  page.evaluate(() => {
    const held = window as unknown as { tasks: number[] }
    const most = Math.max(0, ...held.tasks)
    held.tasks = []
    return most
  })

async function gather(page: Page, address: string, folder: string): Promise<void> {
  await page.goto(address)
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await page.getByText('bench.example is gathered.').waitFor({ timeout: 400_000 })
  await page.getByRole('link', { name: 'Drift' }).click()
}

function edit(folder: string, count: number): void {
  for (let index = 0; index < count; index += EDITED_EVERY) {
    const file = join(folder, `p${index % 10}`, `${index}.html`)
    writeFileSync(file, readFileSync(file, 'utf8').replace(`content="Page ${index}"`, `content="Edited page ${index}"`))
  }
}

/** Drift of a folder that was gathered, launched, edited and gathered again: times and longest tasks in ms. */
async function driftOf(page: Page, address: string, folder: string, count: number) {
  writeFolder(folder, count)
  await gather(page, address, folder)
  await page.getByRole('button', { name: 'This run went live' }).click()
  await page.getByRole('button', { name: 'It is live' }).click()
  edit(folder, count)
  await gather(page, address, folder)
  await page.getByRole('heading', { name: /with other cards$/ }).waitFor({ timeout: 120_000 })
  await page.reload()
  await watch(page)
  const startedAt = performance.now()
  await page.getByRole('heading', { name: /with other cards$/ }).waitFor({ timeout: 120_000 })
  const compared = performance.now() - startedAt
  await page.waitForTimeout(500)
  const whileComparing = await longest(page)
  for (let move = 0; move < MOVES; move++) {
    await page.keyboard.press('j')
    await page.waitForTimeout(60)
  }
  const whileMoving = await longest(page)
  await page.getByRole('tab', { name: 'Held copies' }).click()
  await page.getByRole('heading', { name: /out of date$/ }).waitFor({ timeout: 120_000 })
  await page.waitForTimeout(1500)
  const whileListing = await longest(page)
  for (let move = 0; move < MOVES; move++) {
    await page.keyboard.press(move % 3 === 0 ? 'o' : 'j')
    await page.waitForTimeout(150)
  }
  await page.waitForTimeout(500)
  return {
    'two runs, from a reload until they are compared': compared,
    'longest task while comparing': whileComparing,
    'longest task while going down the list': whileMoving,
    'longest task while held copies are worked out': whileListing,
    'longest task while asking again': await longest(page),
  }
}

/** Two runs against each other: the core by itself, and the area in Chromium, of 10,000 pages beside 100. */
export async function run(): Promise<void> {
  await benchCore()
  ensureBuild()
  const here = mkdtempSync(join(tmpdir(), 'parrot-drift-'))
  const { app, address } = await startApp({ port: 4332, demo: '' })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  try {
    const results: Record<string, number>[] = []
    for (const count of SIZES) {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
      results.push(await driftOf(page, address, join(here, String(count)), count))
      await page.context().close()
    }
    const [few, many] = results as [Record<string, number>, Record<string, number>]
    for (const [what, ms] of Object.entries(many))
      console.log(
        `${what.padEnd(48)} ${ms.toFixed(0).padStart(6)} ms for ${SIZES[1]} pages, ${few[what]!.toFixed(0)} ms for ${SIZES[0]}`,
      )
  } finally {
    await browser.close()
    app.kill()
    rmSync(here, { recursive: true })
  }
}
