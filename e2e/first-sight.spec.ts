import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, type Page, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { expectAccessible, gatherAddress } from './app'

const html = (title: string, head: string, body = '') =>
  `<!doctype html><html lang="en"><head><title>${title} of the works</title>${head}</head><body><a href="/bench/">Home</a><a href="/bench/about.html">About</a>${body}</body></html>`

const zipOf = (head: (path: string) => string) =>
  Buffer.from(
    zipSync({
      'index.html': strToU8(html('Lanterns', head(''), '<a href="/bench/gone">x</a>')),
      'about.html': strToU8(html('About', head('about.html'))),
    }),
  )

async function gatherZip(page: Page, buffer: Buffer) {
  await page.goto('/')
  await page.getByLabel('Choose a zip').setInputFiles({ name: 'works.zip', mimeType: 'application/zip', buffer })
  await expect(page.getByText(/is gathered\./)).toBeVisible()
}

test('where a site lives is said with its evidence, its path too', async ({ page }) => {
  await gatherZip(
    page,
    zipOf((path) => `<link rel="canonical" href="https://lanterns.example/bench/${path}">`),
  )
  const place = page.getByRole('region', { name: 'Production URL' })
  await expect(place).toContainText('https://lanterns.example/bench/')
  await expect(place).toContainText('From 2 canonicals.')
  await expectAccessible(page)
})

test('a site that names no production URL says so, and takes one in place', async ({ page }) => {
  await gatherZip(
    page,
    zipOf(() => ''),
  )
  const place = page.getByRole('region', { name: 'Production URL' })
  await expect(place).toContainText('No production URL yet, under /bench/')
  await expect(page.locator('body')).not.toContainText('invalid')
  await place.getByLabel('Another production URL').fill('ftp://lanterns.example')
  await place.getByRole('button', { name: 'Change' }).click()
  await expect(place.getByRole('alert')).toContainText('is no http URL')
  await place.getByLabel('Another production URL').fill('lanterns.example/bench/')
  await place.getByRole('button', { name: 'Change' }).click()
  await expect(place).toContainText('https://lanterns.example/bench/')
  await expect(place).toContainText('As you said.')
  await expect(page.getByRole('heading', { name: '2 pages of about 2' })).toBeVisible()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  // What a link names and is not there is no page.
  await expect(page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button')).toHaveCount(2)
})

test.describe('behind a login', () => {
  let server: Server
  let address: string
  test.beforeAll(async () => {
    server = createServer((request, response): void => {
      const isIn = request.headers.authorization === `Basic ${Buffer.from('ada:hush').toString('base64')}`
      const isSso = request.url?.startsWith('/sso')
      if (isSso) response.writeHead(302, { location: '/login?next=/' }).end()
      else if (!isIn && !request.url?.startsWith('/login')) response.writeHead(401).end()
      else response.writeHead(200, { 'content-type': 'text/html' }).end(html('A page', ''))
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
  })
  test.afterAll(() => {
    server.close()
    server.closeAllConnections()
  })

  test('the fields for it are there where it is met, and are asked for when it is run again', async ({ page }) => {
    await gatherAddress(page, address)
    const form = page.getByRole('form', { name: 'Login' })
    await expect(form).toContainText('1 page is behind a login.')
    await form.getByLabel('User').fill('ada')
    await form.getByLabel('Password').fill('hush')
    await form.getByRole('button', { name: 'Run again with it' }).click()
    await expect(page.getByText(/is gathered\./)).toBeVisible()
    await expect(page.getByRole('form', { name: 'Login' })).toHaveCount(0)
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await page.reload()
    await page.getByRole('button', { name: 'Run again' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'This run needs its login' })).toBeVisible()
    await expect(page.getByLabel('User')).toBeVisible()
    await expect(
      page.getByRole('region', { name: 'A running address' }).getByLabel('Address', { exact: true }),
    ).toHaveValue(address)
  })

  test('a redirect to a sign-in page is no page that was read', async ({ page }) => {
    await gatherAddress(page, `${address}sso`)
    await expect(page.getByRole('form', { name: 'Login' })).toBeVisible()
  })
})
