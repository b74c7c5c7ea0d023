import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, test } from '@playwright/test'
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
