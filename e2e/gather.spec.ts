import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { expect, type Page, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { DEMO, expectAccessible, gatherAddress, gatherDemo, SLOW_DEMO } from './app'

test('the demo is gathered: every page, with the production address of its own tags', async ({ page }) => {
  await gatherDemo(page)
  await expect(page.getByRole('heading', { name: '48 pages of about 48' })).toBeVisible()
  await expect(page.getByText('Site: https://brasswick.example/, from 6 canonicals and 6 og:urls.')).toBeVisible()
  await expectAccessible(page)
})

test('run again takes what has not changed from the run before, says so, and reads everything again on demand', async ({
  page,
}) => {
  await gatherDemo(page)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await expect(page.getByText('48 pages in')).toBeVisible()
  await page.getByRole('banner').getByRole('button', { name: 'Run again' }).click()
  const ended = page.getByText('brasswick.example is gathered.')
  await expect(ended).toBeVisible({ timeout: 60_000 })
  const taken = page.getByText(
    /^4\d pages and \d+ pictures have not changed since the run of .*, and were taken from it\./,
  )
  await expect(taken).toBeVisible()
  await expectAccessible(page)
  // The two runs say the same.
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('link', { name: 'Drift' }).click()
  await expect(page.getByText(/^Nothing changed: every page says/)).toBeVisible()
  await page.getByRole('link', { name: 'Gather', exact: true }).click()
  await page.getByRole('button', { name: 'Read everything again' }).click()
  await expect(taken).toBeHidden()
  await expect(ended).toBeVisible({ timeout: 60_000 })
  await expect(taken).toBeHidden()
})

test('the first screen says what to do, and is accessible', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('See the card')
  await expect(page.getByText('The first one will stand here.')).toBeVisible()
  await expectAccessible(page)
})

test('stopped in mid-run, what was gathered is kept and says so, after a reload too', async ({ page }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByText('Gathering brasswick.example.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').nth(2)).toBeVisible()
  await page.getByRole('region', { name: 'Pages as they come' }).getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped. What brasswick.example gave so far is kept.')).toBeVisible()
  const heading = await page.getByRole('heading', { level: 1 }).textContent()
  const [, kept] = /^(\d+) pages? of about/.exec(heading ?? '') ?? []
  expect(Number(kept)).toBeGreaterThan(0)
  expect(Number(kept)).toBeLessThan(48)
  await page.goto('/')
  await expect(page.getByText('stopped early')).toBeVisible()
  await page.getByRole('button', { name: /^Open the run/ }).click()
  await expect(page.getByText(`${kept} pages in`)).toBeVisible()
  await expect(page.getByText(`Stopped at ${kept} of about`)).toBeVisible()
})

test('whoever leaves in mid-run is asked first, and a run that is stayed with goes on', async ({ page }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').first()).toBeVisible()
  const asked = page.waitForEvent('dialog')
  await page.evaluate(() => window.history.back())
  const dialog = await asked
  expect(dialog.type()).toBe('beforeunload')
  await dialog.dismiss()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  // Once it is over, nothing asks.
  await page.goto('/')
  await expect(page.getByRole('region', { name: /^Sites and their runs/ })).toBeVisible()
})

test('a tab closed in mid-run leaves a run that says where it stopped', async ({ page, context }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').first()).toBeVisible()
  await page.close()
  const later = await context.newPage()
  await later.goto('/')
  await expect(later.getByText('stopped early')).toBeVisible()
  await later.getByRole('button', { name: /^Open the run/ }).click()
  const reason = later.getByText(/The tab was closed at \d+ of about \d+ pages\./)
  await expect(reason).toBeVisible()
  const { search } = new URL(later.url())
  await later.goto(`/causes${search}`)
  await expect(reason).toContainText('Causes are found once the run is done.')
  // On a phone too the way on is in sight.
  await later.setViewportSize({ width: 390, height: 844 })
  await later.goto(`/clearance${search}`)
  await expect(reason).toBeInViewport()
  await expect(later.getByRole('button', { name: 'Gather the rest' })).toBeInViewport({ ratio: 1 })
})

test('a run that was broken off goes on where it stopped, and asks for nothing twice', async ({ page }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').nth(2)).toBeVisible()
  await page.getByRole('region', { name: 'Pages as they come' }).getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped. What brasswick.example gave so far is kept.')).toBeVisible()
  await page.goto('/')
  const asked: string[] = []
  page.on('request', (request) => {
    if (request.url().endsWith('/api/crawl')) asked.push(request.postData() ?? '')
  })
  await page.getByRole('button', { name: /^Go on with the run/ }).click()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('48 pages')
  const { resume } = JSON.parse(asked[0]!)
  expect(resume.done.length).toBeGreaterThan(2)
  expect(resume.waiting.every(({ url }: { url: string }) => !resume.done.includes(url))).toBe(true)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await expect(page.getByText('48 pages in 8 sections')).toBeVisible()
})

test('stopped, it goes on at once with one button', async ({ page }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').nth(2)).toBeVisible()
  await page.getByRole('region', { name: 'Pages as they come' }).getByRole('button', { name: 'Stop' }).click()
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('48 pages')
})

test('a list that a closed tab broke off goes on from its frontier', async ({ page }) => {
  await page.goto('/')
  const form = page.getByRole('region', { name: 'A list of addresses' })
  await form.getByRole('textbox').first().fill(`${SLOW_DEMO}guides/\n${SLOW_DEMO}news/`)
  await form.getByLabel('Follow links from there').check()
  await form.getByRole('button', { name: 'Gather 2 addresses' }).click()
  await expect(page.getByRole('region', { name: 'Newest cards' }).getByRole('button').nth(2)).toBeVisible()
  await page.reload()
  const past = page.getByRole('region', { name: /^Sites and their runs/ })
  await past.getByRole('button', { name: 'Go on' }).click()
  const region = page.getByRole('region', { name: 'Pages as they come' })
  await expect(region.getByText('is gathered.')).toBeVisible({ timeout: 40_000 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('48 pages')
  // Its addresses are not known any more: it can't be gathered from the start.
  await expect(region.getByRole('button', { name: 'Gather something else' })).toBeVisible()
  await expect(region.getByRole('button', { name: 'Run again' })).toHaveCount(0)
})

test('two tabs gather side by side, and neither takes the other’s run for left behind', async ({ page, context }) => {
  await gatherAddress(page, SLOW_DEMO)
  await expect(page.getByText('Gathering brasswick.example.')).toBeVisible()
  const other = await context.newPage()
  await gatherDemo(other)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 30_000 })
  await other.goto('/')
  await expect(other.getByRole('button', { name: /^Open the run/ })).toHaveCount(2)
  await expect(other.getByText('stopped early')).toHaveCount(0)
  await expect(other.getByText('48 pages', { exact: true })).toHaveCount(2)
})

test('a dead address is named, with what to try', async ({ page }) => {
  await gatherAddress(page, 'http://127.0.0.1:9/')
  const alert = page.getByRole('alert').filter({ hasText: 'The run could not go on' })
  await expect(alert).toContainText('Nothing answered at http://127.0.0.1:9/: 127.0.0.1:9 refuses connections.')
  await expect(alert).toContainText('Is the server running')
  await expect(page.getByLabel('Address', { exact: true })).toHaveValue('http://127.0.0.1:9/')
})

test('an address that is no HTML page is no run, and says what was found', async ({ page }) => {
  await gatherAddress(page, `${DEMO}style.css`)
  await expect(page.getByText(/style\.css is text\/css/)).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('style.css')).toHaveCount(0)
})

test('a stopped run is not known to be clear, and no sign-off is offered for it', async ({ page }) => {
  await gatherAddress(page, SLOW_DEMO)
  await page.getByRole('button', { name: 'Open the Wall' }).waitFor()
  await page.getByRole('region', { name: 'Pages as they come' }).getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText(/^Stopped at \d+ of about \d+ pages\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page
    .getByRole('link', { name: /^Clearance/ })
    .or(page.getByRole('button', { name: /^Clearance/ }))
    .first()
    .click()
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText('Clear for launch')
  await expect(page.getByRole('button', { name: 'Gather the rest' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign off' })).toHaveCount(0)
  await expect(page.getByText(/^Stopped at \d+ of about \d+ pages\.$/)).toBeVisible()
})

test('what is no address is refused before anything is asked', async ({ page }) => {
  await gatherAddress(page, 'ftp://somewhere')
  await expect(page.getByText('“ftp://somewhere” is no http address.')).toBeVisible()
})

test('a run is deleted after asking, and is gone after a reload', async ({ page }) => {
  await gatherDemo(page)
  await page.goto('/')
  await page.getByRole('button', { name: /^Delete the run/ }).click()
  await page.getByRole('button', { name: 'Keep' }).click()
  await page.getByRole('button', { name: /^Delete the run/ }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByText('The first one will stand here.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('The first one will stand here.')).toBeVisible()
})

/** Put before a worker's script: from the sixth page on the browser refuses to write, as it does for want of room. */
const FULL = `if (typeof WorkerGlobalScope !== 'undefined' && !self.isFull) {
  self.isFull = true
  let pages = 0
  const put = IDBObjectStore.prototype.put
  IDBObjectStore.prototype.put = function (...given) {
    if (this.name === 'pages') pages++
    if (pages > 5) throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
    return put.apply(this, given)
  }
}
`

test('storage that is full keeps what is there, says what takes room and what can go', async ({ page }) => {
  let isFull = false
  await page.route('**/_next/static/**/*.js', (route) => {
    if (!isFull) return route.continue()
    const file = join('.next', new URL(route.request().url()).pathname.slice('/_next'.length))
    return route.fulfill({ contentType: 'text/javascript', body: FULL + readFileSync(file, 'utf8') })
  })
  await gatherDemo(page)
  isFull = true
  await gatherAddress(page, SLOW_DEMO)
  const failure = page.getByRole('alert').filter({ hasText: 'storage is full' })
  await expect(failure).toContainText('What was gathered is kept.', { timeout: 60_000 })
  // The run before is whole, and says what it takes; so do the copies of pictures.
  const past = page.getByRole('region', { name: 'Sites and their runs' })
  const whole = past.getByRole('listitem').filter({ hasText: '48 pages' })
  await expect(whole).toContainText(/48 pages\s*[\d.]+ [kM]B/i)
  await expect(past.getByText(/of it are copies of \d+ pictures/)).toBeVisible()
  await expectAccessible(page)
  await past.getByRole('button', { name: 'Let go of the copies' }).click()
  await expect(past.getByRole('button', { name: 'Let go of the copies' })).toBeHidden()
  await whole.getByRole('button', { name: /^Open the run/ }).click()
  await expect(page.getByText('48 pages in 8 sections')).toBeVisible()
})

test('pages that take long are named while the run goes on', async ({ page }) => {
  const slow = createServer((request, response) => {
    response.setHeader('content-type', 'text/html')
    if (request.url === '/') return response.end('<title>Home of it</title><a href="/quick">q</a><a href="/slow">s</a>')
    return setTimeout(() => response.end('<title>A page</title>'), request.url === '/slow' ? 1300 : 0)
  })
  await new Promise<void>((resolve) => slow.listen(0, '127.0.0.1', resolve))
  await gatherAddress(page, `http://127.0.0.1:${(slow.address() as AddressInfo).port}/`)
  const named = page.getByRole('heading', { name: 'Slowest answers' }).locator('xpath=..')
  await expect(named).toContainText(/1\.\d s.*\/slow/)
  await expect(named).not.toContainText('/quick')
  slow.closeAllConnections()
  slow.close()
})

test.describe('a file of addresses', () => {
  const listOf = (page: Page) => page.getByRole('region', { name: 'A list of addresses' })
  const map = (...paths: string[]) =>
    `<urlset>${paths.map((path) => `<url><loc>${DEMO}${path}</loc></url>`).join('')}</urlset>`

  test('a packed sitemap is chosen: its pages are gathered, and nothing beyond them', async ({ page }) => {
    await page.goto('/')
    const form = listOf(page)
    const buffer = gzipSync(map('guides/', 'about', 'news/'))
    await form
      .getByLabel('Choose a file')
      .setInputFiles({ name: 'sitemap.xml.gz', mimeType: 'application/gzip', buffer })
    await expect(form).toContainText(`3 addresses, the first ${DEMO}guides/`)
    // The field behind the button has the focus; the button is what shows it.
    await form.getByLabel('Choose a file').focus()
    await expect(form.getByText('Choose a file')).toHaveCSS('outline-style', 'solid')
    await expectAccessible(page)
    await form.getByRole('button', { name: 'Gather 3 addresses' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('3 pages')
    await expect(page.getByText('sitemap.xml.gz').first()).toBeVisible()
  })

  test('a list is dropped, and left again for what was typed', async ({ page }) => {
    await page.goto('/')
    const form = listOf(page)
    await form.getByRole('textbox').first().fill(`${DEMO}about`)
    await form.locator('form').evaluate((target, text) => {
      const dataTransfer = new DataTransfer()
      dataTransfer.items.add(new File([text], 'pages.txt'))
      target.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer }))
    }, `${DEMO}guides/\n${DEMO}news/`)
    await expect(form.getByRole('button', { name: 'Gather 2 addresses' })).toBeVisible()
    await form.getByRole('button', { name: 'Leave it' }).click()
    // Text that is dragged into the field is the browser's to put there.
    const isTaken = await form
      .getByRole('textbox')
      .first()
      .evaluate((target) => {
        const dataTransfer = new DataTransfer()
        dataTransfer.setData('text/plain', 'https://a.example/')
        return !target.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer }))
      })
    expect(isTaken).toBe(false)
    await expect(form.getByRole('button', { name: 'Gather 1 address', exact: true })).toBeVisible()
  })

  test('an index and a broken pack say what to do', async ({ page }) => {
    await page.goto('/')
    const form = listOf(page)
    const index = `<sitemapindex><sitemap><loc>${DEMO}map.xml</loc></sitemap></sitemapindex>`
    const choose = (name: string, bytes: Buffer) =>
      form.getByLabel('Choose a file').setInputFiles({ name, mimeType: 'application/xml', buffer: bytes })
    await choose('index.xml', Buffer.from(index))
    await expect(form.getByRole('alert')).toContainText(
      `“index.xml” names no page but ${DEMO}map.xml. Give the address`,
    )
    await choose('cut.xml.gz', gzipSync(map('about')).subarray(0, 40))
    await expect(form.getByRole('alert')).toContainText('“cut.xml.gz” can’t be read')
  })
})

test('a host that is not the site’s is asked slowly, until the reader says that it is theirs', async ({ page }) => {
  const html = (name: string) =>
    `<!doctype html><html lang="en"><title>${name}</title><meta property="og:url" content="https://mendinghall.example/${name}"><meta property="og:image" content="https://img.photographer.example/${name}.png">`
  const zip = zipSync({ 'index.html': strToU8(html('index')), 'a.html': strToU8(html('a')) })
  await page.goto('/')
  await page
    .getByLabel('Choose a zip')
    .setInputFiles({ name: 'site.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  await expect(page.getByText('mendinghall.example is gathered.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Hosts that are not the site’s' })).toBeVisible()
  await expectAccessible(page)
  const again = page.getByRole('button', { name: 'It is ours: gather again with img.photographer.example' })
  await again.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('mendinghall.example is gathered.')).toBeVisible()
  await expect(again).toHaveCount(0)
})
