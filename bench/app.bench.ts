import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium, root } from '../scripts/setup.mjs'
import { FLAGS, noteTasks, writeFolder } from './browser'

const SIZES = (process.env['SIZES'] ?? '5000,50000').split(',').map(Number) as [number, number]
const SITE = 'https://bench.example'

/** An hour: a run of the larger size takes minutes. */
const PATIENCE_MS = 3_600_000

type Measured = { ms: number; longestMs: number }

/** How long an act takes until what it asked for is seen, and the longest task of the tab until a second after. */
async function timed(page: Page, act: () => Promise<unknown>): Promise<Measured> {
  await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks.splice(0))
  const startedAt = performance.now()
  await act()
  const ms = performance.now() - startedAt
  await page.waitForTimeout(1000)
  const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks)
  return { ms, longestMs: Math.max(0, ...tasks) }
}

async function newPage(browser: Browser, address: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  page.setDefaultTimeout(PATIENCE_MS)
  await page.addInitScript(noteTasks)
  await page.goto(address)
  await page.waitForTimeout(1500)
  return page
}

async function gather(page: Page, folder: string): Promise<void> {
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  const all = page.getByRole('button', { name: 'Gather all' })
  const begun = page.getByRole('heading', { name: /pages? of about/ })
  await all.or(begun).first().waitFor()
  if (await all.isVisible()) await all.click()
  await page.getByText('bench.example is gathered.').waitFor()
}

const follow = (page: Page, area: string) => page.getByRole('link', { name: area, exact: true }).click()
const cards = (page: Page) => page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button').first()

/** The areas of a run, one after the other, and a second run beside it. */
async function areasOf(browser: Browser, address: string, folder: string, count: number) {
  const page = await newPage(browser, address)
  const found: Record<string, Measured> = {}
  found['gathered'] = await timed(page, () => gather(page, folder))
  const usage = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0)
  found['Wall'] = await timed(page, async () => {
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await cards(page).waitFor()
  })
  const troubled = page.getByRole('button', { name: /^With errors/ })
  found['Wall, filtered'] = await timed(page, async () => {
    await troubled.click()
    await page.locator('button[aria-pressed=true]', { hasText: 'With errors' }).waitFor()
  })
  found['Causes'] = await timed(page, async () => {
    await follow(page, 'Causes')
    await page.getByRole('heading', { name: /would clear everything/ }).waitFor()
  })
  found['Clearance'] = await timed(page, async () => {
    await follow(page, 'Clearance')
    await page.getByRole('heading', { name: /^(?:Not clear|Clear)/ }).waitFor()
  })
  await page.goto(address)
  await page.waitForTimeout(1500)
  await gather(page, folder)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await cards(page).waitFor()
  await page.waitForTimeout(3000)
  found['Drift'] = await timed(page, async () => {
    await follow(page, 'Drift')
    await page.getByText(/^Nothing changed: every page says/).waitFor()
  })
  await page.context().close()
  return { found, bytesAPage: usage / count }
}

/** A run document of the folder, as the command writes it, opened in an empty browser. */
async function opened(browser: Browser, address: string, folder: string): Promise<Measured & { megabytes: number }> {
  const document = `${folder}.jsonl.gz`
  const bin = join(root, 'packages', 'nimble-parrot', 'dist', 'bin.mjs')
  const args = ['check', folder, '--site', SITE, '--fail-on', 'never', '--format', `jsonl=${document}`]
  const { status, stderr } = spawnSync(process.execPath, [bin, ...args], { encoding: 'utf8' })
  if (status !== 0) throw new Error(stderr)
  const page = await newPage(browser, address)
  const measured = await timed(page, async () => {
    await page.getByLabel('Open a project archive or a run document').setInputFiles(document)
    await page.getByRole('button', { name: 'Open it' }).waitFor()
  })
  await page.context().close()
  return { ...measured, megabytes: statSync(document).size / 1e6 }
}

/**
 * The app with a run of 50,000 pages beside one of 5,000: each area from the click until what it shows is seen, the
 * longest task of the tab meanwhile, a run document opened. SIZES=500,5000 npm run bench -- app for other sizes.
 */
export async function run(): Promise<void> {
  ensureBuild()
  spawnSync(process.execPath, [join(root, 'scripts', 'build-command.mjs')], { cwd: root, stdio: 'ignore' })
  const here = mkdtempSync(join(tmpdir(), 'parrot-app-'))
  const { app, address } = await startApp({ port: 4334, demo: '' })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  const all: Record<string, Measured>[] = []
  try {
    for (const count of SIZES) {
      const folder = join(here, String(count))
      writeFolder(folder, count)
      const { found, bytesAPage } = await areasOf(browser, address, folder, count)
      const { megabytes, ...document } = await opened(browser, address, folder)
      all.push({ ...found, 'run document opened': document })
      console.log(
        `${count.toLocaleString('en').padStart(7)} pages: ${Math.round(bytesAPage)} bytes a page in the browser's storage; its document ${megabytes.toFixed(0)} MB, packed lines`,
      )
    }
    const [few, many] = all as [Record<string, Measured>, Record<string, Measured>]
    for (const [what, { ms, longestMs }] of Object.entries(many)) {
      const control = few[what]!
      console.log(
        `${what.padEnd(20)} ${(ms / 1000).toFixed(1).padStart(6)} s, longest task ${Math.round(longestMs)} ms   beside ${(control.ms / 1000).toFixed(1)} s, ${Math.round(control.longestMs)} ms: ${(ms / control.ms).toFixed(1)} ×`,
      )
    }
  } finally {
    await browser.close()
    app.kill()
    rmSync(here, { recursive: true })
  }
}
