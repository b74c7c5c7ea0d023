import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import sharp from 'sharp'
import { listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { ensureChromium } from '../scripts/setup.mjs'
import { FLAGS } from './browser'
import { report } from './measure'

const PAGES = 500
const GROUND = { r: 29, g: 59, b: 79 }

/** A section of pages that have no picture. */
function buildWithoutPictures(): string {
  const folder = mkdtempSync(join(tmpdir(), 'compose-bench-'))
  mkdirSync(join(folder, 'guides'))
  const paths = Array.from({ length: PAGES }, (_, index) => `guides/mend-${index}.html`)
  const page = (title: string, body: string) =>
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>${title} | Bench Hall</title><link rel="canonical" href="https://bench.example/"><meta property="og:site_name" content="Bench Hall"><p>${body}</p></html>`
  for (const [index, path] of paths.entries())
    writeFileSync(join(folder, path), page(`How to mend thing number ${index} in one evening`, 'A page of the bench.'))
  writeFileSync(
    join(folder, 'index.html'),
    page('Home', paths.map((path) => `<a href="/${path}">${path}</a>`).join(' ')),
  )
  return folder
}

/** As many plain pictures of the same size, drawn and written as JPEG. */
async function plainPictures(): Promise<void> {
  for (let index = 0; index < PAGES; index++)
    await sharp({ create: { width: 1200, height: 630, channels: 3, background: { ...GROUND, b: index % 256 } } })
      .jpeg({ quality: 90 })
      .toBuffer()
}

async function timeOf(task: () => Promise<unknown>): Promise<number> {
  const startedAt = performance.now()
  await task()
  return performance.now() - startedAt
}

/** Composes a section of five hundred pages in the browser, as a zip and as drafts, beside plain pictures by sharp. */
export async function run(): Promise<void> {
  ensureBuild()
  const folder = buildWithoutPictures()
  const server = serveFolder(folder)
  const demo = await listen(server, 4331)
  const { app, address } = await startApp({ port: 4330, demo })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })
  try {
    const page = await (await browser.newContext({ acceptDownloads: true })).newPage()
    await page.goto(address)
    await page.getByLabel('Choose a folder').setInputFiles(folder)
    await page.getByText(/is gathered\./).waitFor({ timeout: 120_000 })
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await page.getByRole('link', { name: 'Pictures' }).click()
    await page
      .getByRole('button', { name: 'Compose pictures' })
      .or(page.getByRole('radio', { name: 'Compose new ones' }))
      .first()
      .click()
    await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
    await page.getByRole('figure').getByRole('img').first().waitFor()
    const plainBefore = await timeOf(plainPictures)
    const zip = await timeOf(async () => {
      const download = page.waitForEvent('download', { timeout: 300_000 })
      await page.getByRole('button', { name: 'Save zip' }).click()
      await download
    })
    const drafts = await timeOf(async () => {
      await page.getByRole('button', { name: `Use in ${PAGES} drafts` }).click()
      await page.getByText(`${PAGES} pictures made and drafted.`).waitFor({ timeout: 300_000 })
    })
    const plainAfter = await timeOf(plainPictures)
    const baseline = { name: 'plain pictures by sharp', ms: (plainBefore + plainAfter) / 2 }
    report(`${PAGES} plain pictures by sharp`, baseline.ms)
    report(`${PAGES} composed, as a zip`, zip, baseline)
    report('the same as drafts, composed already', drafts, baseline)
  } finally {
    await browser.close()
    app.kill()
    server.close()
    rmSync(folder, { recursive: true })
  }
}
