import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { gatherAddress } from './app'

let title = 'The old title'
let isDown = false
const asked: { path: string; cacheControl: string | undefined }[] = []
let server: Server
let address = ''

const html = (own: string, links = '') =>
  `<!doctype html><html lang="en"><head><title>${own}</title><meta property="og:title" content="${own}">` +
  `<meta name="description" content="A page that is long enough to describe itself."></head><body>${links}</body></html>`

test.beforeEach(async () => {
  title = 'The old title'
  isDown = false
  asked.length = 0
  server = createServer((request, response) => {
    const path = request.url ?? '/'
    asked.push({ path, cacheControl: request.headers['cache-control'] })
    if (isDown) return request.socket.destroy()
    if (path === '/robots.txt' || path.endsWith('.ico')) return response.writeHead(404).end()
    response.setHeader('content-type', 'text/html; charset=utf-8')
    return response.end(path === '/' ? html('Home of it all', '<a href="/lamp">lamp</a>') : html(title))
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
})

test.afterEach(() => {
  server.closeAllConnections()
  server.close()
})

test('looking again at a page asks for it alone, shows what changed, and leaves the run before as it was', async ({
  page,
}) => {
  await gatherAddress(page, address)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/lamp:/ }).dblclick()
  await expect(page.getByRole('heading', { name: '/lamp' })).toBeVisible()
  const before = page.url()
  title = 'The new title'
  asked.length = 0
  await page.keyboard.press('r')
  const changes = page.getByRole('region', { name: 'What changed' })
  await expect(changes).toContainText(/Looked again at .*before at/)
  // Going back leads to where one was, with what was read last; the list tells the two runs apart.
  const now = new URL(page.url()).searchParams.get('run')!
  await page.goBack()
  await expect(page).toHaveURL(new RegExp(`/wall.*run=${now}`))
  await page.goForward()
  await expect(changes).toContainText(/Looked again at .*before at/)
  await expect(changes).toContainText('Wide feed (title)')
  await expect(changes.locator('div', { hasText: 'og:title' })).toContainText('The old title → The new title')
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('The new title')
  expect(asked.filter(({ path }) => !/robots|favicon|sitemap/.test(path)).map(({ path }) => path)).toEqual(['/lamp'])
  expect(asked.find(({ path }) => path === '/lamp')!.cacheControl).toBe('no-cache')
  expect(page.url()).not.toBe(before)
  await page.goto(before)
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('The old title')
  await page.goBack()
  await page.getByRole('button', { name: /Look again/ }).click()
  await expect(changes).toContainText('The page says what it said.')
})

test('a server that is gone is told in words, and nothing is lost', async ({ page }) => {
  await gatherAddress(page, address)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/lamp:/ }).dblclick()
  await expect(page.getByRole('heading', { name: '/lamp' })).toBeVisible()
  isDown = true
  server.closeAllConnections()
  await page.getByRole('button', { name: /Look again/ }).click()
  await expect(page.getByRole('alert').filter({ hasText: /\S/ }).first()).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('The old title')
})

const build = (own: string) => ({
  'index.html': html('Home of it all', '<a href="/lamp.html">lamp</a>'),
  'lamp.html': html(own),
})

function folderOnDisk(own: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'parrot-look-'))
  for (const [name, text] of Object.entries(build(own))) writeFileSync(join(folder, name), text)
  return folder
}

/** Opens the page of the lamp in the run that was just gathered. */
async function openLampOf(page: Page) {
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/lamp\.html:/ }).dblclick()
  await expect(page.getByRole('heading', { name: '/lamp.html' })).toBeVisible()
}

const changesOn = (page: Page) => page.getByRole('region', { name: 'What changed' })

/** The browser's private folder stands in for the disk: no test can drive the folder picker itself. */
const writeInPrivateFolder = (page: Page, files: Record<string, string>) =>
  page.evaluate(async (all) => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('build', { create: true })
    for (const [name, text] of Object.entries(all)) {
      const stream = await (await folder.getFileHandle(name, { create: true })).createWritable()
      await stream.write(text)
      await stream.close()
    }
    Object.assign(window, { showDirectoryPicker: async () => folder })
  }, files)

test('a page of a folder is read again from the disk: chosen once, then at one key', async ({ page }) => {
  const folder = folderOnDisk('The old title')
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await openLampOf(page)
  await writeInPrivateFolder(page, build('The new title'))
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Choose the folder' }).click()
  await expect(changesOn(page).locator('div', { hasText: 'og:title' })).toContainText('The old title → The new title')
  await writeInPrivateFolder(page, { 'lamp.html': html('The newest title') })
  await page.keyboard.press('r')
  await expect(changesOn(page).locator('div', { hasText: 'og:title' })).toContainText(
    'The new title → The newest title',
  )
  // All other pages stand where they were, in a run that holds none of them itself.
  await page.keyboard.press('Escape')
  await expect(page.getByText('2 pages in')).toBeVisible()
  await page.getByRole('button', { name: /^\/:/ }).dblclick()
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('Home of it all')
  rmSync(folder, { recursive: true })
})

test('a folder that the browser keeps is run again with one click, as it is now', async ({ page }) => {
  const folder = folderOnDisk('The old title')
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await writeInPrivateFolder(page, { ...build('The new title'), 'more.html': html('More') })
  await page.getByRole('button', { name: 'Run again' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3 pages')
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/lamp\.html:/ }).dblclick()
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('The new title')
  rmSync(folder, { recursive: true })
})

test('where the browser keeps no folder, it is asked for each time; a wrong one says so', async ({ page }) => {
  const [before, after] = [folderOnDisk('The old title'), folderOnDisk('The new title')]
  const other = mkdtempSync(join(tmpdir(), 'parrot-look-'))
  writeFileSync(join(other, 'about.html'), html('About'))
  await page.addInitScript(() => Object.assign(window, { showDirectoryPicker: undefined }))
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(before)
  await openLampOf(page)
  await page.getByRole('button', { name: /Look again/ }).click()
  await page.getByLabel('Choose the folder').setInputFiles(other)
  await expect(page.getByRole('alert').filter({ hasText: 'lamp.html is not in this folder.' })).toBeVisible()
  await page.getByLabel('Choose the folder').setInputFiles(after)
  await expect(changesOn(page).locator('div', { hasText: 'og:title' })).toContainText('The old title → The new title')
  for (const folder of [before, after, other]) rmSync(folder, { recursive: true })
})

test('a page of a zip is read again from the zip as it is now', async ({ page }) => {
  const zip = (own: string) => ({
    name: 'dist.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from(
      zipSync(Object.fromEntries(Object.entries(build(own)).map(([name, text]) => [name, strToU8(text)]))),
    ),
  })
  await page.goto('/')
  await page.getByLabel('Choose a zip').setInputFiles(zip('The old title'))
  await openLampOf(page)
  await page.keyboard.press('r')
  await page.getByLabel('Choose the zip').setInputFiles(zip('The new title'))
  await expect(changesOn(page).locator('div', { hasText: 'og:title' })).toContainText('The old title → The new title')
})

test('a page of a list is asked for where it was read, not on production', async ({ page }) => {
  await page.goto('/')
  const form = page.getByRole('region', { name: 'A list of addresses' })
  await form.getByRole('textbox').first().fill(`${address}\n${address}lamp`)
  await form.getByLabel(/^Production address/).fill('https://lamps.example')
  await form.getByRole('button', { name: /^Gather/ }).click()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/lamp:/ }).dblclick()
  await expect(page.getByRole('heading', { name: '/lamp' })).toBeVisible()
  title = 'The new title'
  await page.keyboard.press('r')
  await expect(changesOn(page).locator('div', { hasText: 'og:title' })).toContainText('The old title → The new title')
})
