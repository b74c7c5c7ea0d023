import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { zipSync } from 'fflate'
import { demoFolder } from '../demo/server.mjs'
import { expectAccessible, lampOnWall } from './app'

const here = mkdtempSync(join(tmpdir(), 'parrot-e2e-'))
test.afterAll(() => rmSync(here, { recursive: true }))

/** Requests that could carry something away: everything but the app's own files. */
function watchRequests(page: Page): string[] {
  const sent: string[] = []
  page.on('request', (request) => {
    if (request.method() !== 'GET' || request.url().includes('/api/'))
      sent.push(`${request.method()} ${request.url()} ${request.postData() ?? ''}`)
  })
  return sent
}

async function expectDemoGathered(page: Page): Promise<void> {
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('48 pages')
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await expect(page.getByText('48 pages in 8 sections')).toBeVisible()
  await expect(page.getByRole('heading', { name: '29 errors in the way' })).toBeVisible()
}

/** Every file below a folder, by its path. */
function filesBelow(folder: string, prefix = ''): Record<string, Uint8Array> {
  return Object.assign(
    {},
    ...readdirSync(join(folder, prefix), { withFileTypes: true }).map((entry) => {
      const path = prefix + entry.name
      return entry.isDirectory()
        ? filesBelow(folder, `${path}/`)
        : { [path]: new Uint8Array(readFileSync(join(folder, path))) }
    }),
  )
}

test('a folder is read in the browser: the same findings, pictures from blobs, nothing of it sent', async ({
  page,
}) => {
  const sent = watchRequests(page)
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(demoFolder)
  await expectDemoGathered(page)
  const lamp = await lampOnWall(page)
  await expect(lamp.locator('image').first()).toHaveAttribute('href', /^blob:/)
  // One picture of the demo is named on localhost: that address, and nothing else, is asked of the server.
  expect(sent).toEqual([
    expect.stringContaining('/api/picture {"url":"http://localhost:3000/img/descale-a-kettle.jpg"}'),
  ])
})

test('a zip too, with everything in one folder as archivers put it', async ({ page }) => {
  const files = filesBelow(demoFolder)
  const zip = zipSync(Object.fromEntries(Object.entries(files).map(([path, bytes]) => [`site/${path}`, bytes])), {
    level: 1,
  })
  writeFileSync(join(here, 'site.zip'), zip)
  await page.goto('/')
  await page.getByLabel('Choose a zip').setInputFiles(join(here, 'site.zip'))
  await expectDemoGathered(page)
  await page.reload()
  await expect(page.getByText('48 pages in 8 sections')).toBeVisible()
})

test('what is no zip says so, and what to do', async ({ page }) => {
  writeFileSync(join(here, 'broken.zip'), 'this is no zip')
  await page.goto('/')
  await page.getByLabel('Choose a zip').setInputFiles(join(here, 'broken.zip'))
  await expect(page.getByRole('alert').filter({ hasText: 'The zip can’t be read.' })).toContainText('Make it again')
})

test('a folder without pages says where pages mostly are', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(join(demoFolder, 'img'))
  await expect(page.getByRole('alert').filter({ hasText: 'There is no HTML file in img.' })).toContainText(
    'dist, out or public',
  )
})

test('five thousand pages: all there, once, after a reload too, and the tab stays quick', async ({ page }) => {
  test.setTimeout(180_000)
  const folder = join(here, 'large')
  const pageOf = (index: number) =>
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Product ${index} | Large</title><meta name="description" content="Product ${index} of five thousand, each with a sentence of its own."><meta property="og:title" content="Product ${index}"><link rel="canonical" href="https://large.example/p${index % 50}/product-${index}.html"></head><body><main><h1>Product ${index}</h1><p>The first paragraph of product ${index}, long enough to be one.</p></main></body></html>`
  const { mkdirSync } = await import('node:fs')
  for (let section = 0; section < 50; section++) mkdirSync(join(folder, `p${section}`), { recursive: true })
  for (let index = 0; index < 5000; index++)
    writeFileSync(join(folder, `p${index % 50}`, `product-${index}.html`), pageOf(index))
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await expect(page.getByText('large.example is gathered.')).toBeVisible({ timeout: 120_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('5,000 pages')
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await expect(page.getByText('5,000 pages in 50 sections')).toBeVisible({ timeout: 20_000 })
  await page.reload()
  await expect(page.getByText('5,000 pages in 50 sections')).toBeVisible({ timeout: 20_000 })
  await page.getByLabel('Search pages and their cards').fill('product 4999')
  await expect(page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button')).toHaveCount(1)
})

test('goes through the pictures of a page that names several', async ({ page }) => {
  const folder = mkdtempSync(join(here, 'several-'))
  for (const name of ['bench', 'kettle'])
    cpSync(`${demoFolder}/img/${name === 'bench' ? 'about' : 'lathe-night'}.jpg`, join(folder, `${name}.jpg`))
  const tag = (key: string, value: string) => `<meta property="${key}" content="${value}">`
  writeFileSync(
    join(folder, 'index.html'),
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Bench</title>${tag('og:url', 'https://brasswick.example/')}${tag('og:image', 'https://brasswick.example/bench.jpg')}${tag('og:image', 'https://brasswick.example/kettle.jpg')}</head><body><h1>Bench</h1></body></html>`,
  )
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/:/ }).dblclick()
  const cards = page.getByRole('region', { name: 'Cards of the page' })
  await expect(cards).toContainText('The page names 2 pictures: shown is what each place takes.')
  const pictureOf = () =>
    page.getByRole('article', { name: 'Wide feed' }).locator('svg image').first().getAttribute('href')
  await expect.poll(pictureOf).toMatch(/^blob:/)
  const first = await pictureOf()
  await cards.getByRole('button', { name: 'The next picture' }).click()
  await expect(cards).toContainText('shown is number 2.')
  await expect.poll(pictureOf).not.toBe(first)
  await expect.poll(pictureOf).toMatch(/^blob:/)
  await expectAccessible(page)
  await cards.getByRole('button', { name: 'As each place takes it' }).click()
  await expect.poll(pictureOf).toBe(first)
})

test('many pages in a zip or a list are said before they are gathered, with a sample as a way out', async ({
  page,
}) => {
  const stub = (index: number) => new TextEncoder().encode(`<title>Page ${index}</title>`)
  const pages = Array.from({ length: 10_001 }, (_, index) => [`s${index % 4}/p${index}.html`, stub(index)])
  const buffer = Buffer.from(zipSync(Object.fromEntries(pages)))
  await page.goto('/')
  const list = page.getByRole('region', { name: 'A list of addresses' })
  const lines = Array.from({ length: 10_002 }, (_, index) => `https://x.example/${index}`).join('\n')
  await list.getByLabel('Addresses', { exact: true }).evaluate((field, text) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', text)
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
  }, lines)
  await list.getByRole('button', { name: 'Gather 10,002 addresses' }).click()
  const notice = page.getByRole('region', { name: 'Many pages' })
  await expect(notice).toContainText('What was pasted has 10,002 pages.')
  await expect(notice).toContainText('at least 1 minute')
  await expectAccessible(page)
  await notice.getByRole('button', { name: 'Cancel' }).click()
  await page.getByLabel('Choose a zip').setInputFiles({ name: 'build.zip', mimeType: 'application/zip', buffer })
  await expect(notice).toContainText('build.zip has 10,001 pages.')
  await notice.getByRole('button', { name: 'Gather 50 of each section' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('200 pages', { timeout: 30_000 })
})

test('production URLs of a list are read out of a build before they are live, and nothing is asked', async ({
  page,
}) => {
  const sent = watchRequests(page)
  await page.goto('/')
  await page
    .getByLabel('Addresses', { exact: true })
    .fill(['', 'guides/', 'about', 'no-such-page'].map((path) => `https://brasswick.example/${path}`).join('\n'))
  await page.getByLabel('Folder to read the URLs from').setInputFiles(demoFolder)
  await expect(page.getByText('not from the network')).toBeVisible()
  // What can't be read is said beside what was given, and nothing of that is lost.
  const list = page.getByLabel('Addresses', { exact: true })
  const given = await list.inputValue()
  await list.fill(`${given}\nhttps://other.example/`)
  await page.getByRole('button', { name: /^Gather 5 addresses from / }).click()
  await expect(page.getByText('The URLs are of several sites.')).toBeVisible()
  await list.fill(given)
  await page.getByRole('button', { name: /^Gather 4 addresses from / }).click()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4 pages')
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await expect(page.getByText(/^4 pages in/)).toBeVisible()
  expect(sent.filter((request) => request.includes('/api/crawl'))).toEqual([])
})
