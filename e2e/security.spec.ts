import { get } from 'node:http'
import { expect, type Page, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { gatherDemo, openWall } from './app'
import { APP_PORT } from './ports'

const app = `http://127.0.0.1:${APP_PORT}`
const crawlBody = { start: 'http://127.0.0.1:9/', site: null }

test('every page has a policy that allows no inline script and nothing from elsewhere', async ({ request }) => {
  const headers = (await request.get('/')).headers()
  const policy = headers['content-security-policy'] ?? ''
  expect(policy).toContain("default-src 'self'")
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/)
  expect(policy).toContain("frame-ancestors 'none'")
  expect(policy).toContain("require-trusted-types-for 'script'")
  expect(headers['x-content-type-options']).toBe('nosniff')
  const again = (await request.get('/')).headers()['content-security-policy']
  expect(again).not.toBe(policy)
})

const UNKNOWN = [
  '/bad%ff',
  '/%00',
  '/wall/%ff%fe?run=%ff&page=%f0%28',
  '/page?page=%25ff&surface=__proto__&section=constructor',
  '/api/x',
  '/api/x%3Cimg%20src=x%20onerror=alert(1)%3E',
  '/api/crawl',
  '/api/image',
  '/icon.svgx',
  '/icon.svg/x',
  '/icon.svg',
  '/_next/static/x.html',
  '/_next/static/../../api/x',
  '/_next/staticx/a',
  '/_next/image?url=%2Ficon.svg&w=64&q=75',
  '//evil.example/',
]

test('whatever is asked, known or not, the answer has a policy that lets nothing inline run', async () => {
  for (const path of UNKNOWN) {
    // Over a bare connection: a client that tidies addresses would ask for something else.
    const headers = await new Promise<Record<string, string | string[] | undefined>>((resolve, reject) => {
      get({ host: '127.0.0.1', port: APP_PORT, path }, (answer) => {
        answer.resume()
        resolve(answer.headers)
      }).on('error', reject)
    })
    const policy = String(headers['content-security-policy'] ?? 'none')
    expect(policy, path).toMatch(/default-src '(?:self|none)'/)
    expect(policy, path).not.toMatch(/script-src[^;]*unsafe-inline/)
    expect(policy, path).toContain("frame-ancestors 'none'")
    expect(headers['x-content-type-options'], path).toBe('nosniff')
  }
})

test('no page is answered under a name that somebody pointed here', async ({ request }) => {
  for (const path of ['/', '/wall', '/icon.svg', '/api/image?p=x'])
    expect((await request.get(path, { headers: { host: `evil.example:${APP_PORT}` } })).status(), path).toBe(403)
})

test('no address takes the app down', async ({ page }) => {
  const faults: string[] = []
  page.on('pageerror', (error) => faults.push(error.message))
  for (const path of UNKNOWN.filter((one) => /^\/(?:bad|wall|page)/.test(one))) {
    await page.goto(path)
    await expect(page.getByRole('navigation', { name: 'Areas' }), path).toBeVisible()
  }
  expect(faults).toEqual([])
})

test('the app asks its own server alone, and nothing is refused by the policy', async ({ page }) => {
  const elsewhere: string[] = []
  const complaints: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(app) && !/^(?:blob|data):/.test(request.url())) elsewhere.push(request.url())
  })
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text())
  })
  await openWall(page)
  expect(elsewhere).toEqual([])
  expect(complaints).toEqual([])
})

test.describe('the crawl route', () => {
  const cases: [string, Record<string, string>][] = [
    ['another origin', { origin: 'http://evil.example', 'content-type': 'application/json' }],
    ['another site', { 'sec-fetch-site': 'cross-site', 'content-type': 'application/json' }],
    ['a form', { origin: app, 'content-type': 'text/plain' }],
    ['no origin at all', { 'content-type': 'application/json' }],
    [
      'a name that somebody pointed here',
      { origin: 'http://evil.example:4310', host: 'evil.example:4310', 'content-type': 'application/json' },
    ],
  ]
  for (const [who, headers] of cases) {
    test(`does not answer ${who}`, async ({ request }) => {
      const response = await request.post('/api/crawl', { headers, data: JSON.stringify(crawlBody) })
      expect(response.status()).toBe(403)
    })
  }

  test('reads no address but http', async ({ request }) => {
    const response = await request.post('/api/crawl', {
      headers: { origin: app, 'content-type': 'application/json' },
      data: JSON.stringify({ start: 'file:///etc/passwd', site: null }),
    })
    expect(response.status()).toBe(400)
  })
})

test.describe('the image route', () => {
  test('serves nothing without a token of its own', async ({ request }) => {
    const forged = Buffer.from(JSON.stringify(['http://127.0.0.1:4311/favicon.svg', '127.0.0.1:4311'])).toString(
      'base64url',
    )
    for (const token of ['', 'x', `${forged}.AAAA`]) {
      const response = await request.get(`/api/image?p=${token}`, { headers: { 'sec-fetch-site': 'same-origin' } })
      expect(response.status()).toBe(404)
    }
  })

  test('serves a drawing so that it can run nothing', async ({ page }) => {
    const answered = page.waitForResponse(
      (response) => response.url().includes('/api/image') && (response.headers()['content-type'] ?? '').includes('svg'),
    )
    await gatherDemo(page)
    const headers = (await answered).headers()
    expect(headers['content-security-policy']).toContain('sandbox')
    expect(headers['content-security-policy']).toContain("default-src 'none'")
    expect(headers['x-content-type-options']).toBe('nosniff')
  })
})

test('pages with odd addresses are drawn like any other', async ({ page }) => {
  const names = [
    'bad%ff.html',
    'a%2fb.html',
    'constructor.html',
    '__proto__.html',
    '?x.html',
    '#y.html',
    '電球 🦜.html',
    '%.html',
  ]
  const html = (name: string) =>
    `<!doctype html><html lang="en"><title>Page ${name.replaceAll('<', '')}</title><meta property="og:url" content="https://odd.example/%ff"><meta property="og:image" content="/%ff.png"><a href="/%ff%00">x</a>`
  const zip = zipSync(Object.fromEntries(['index.html', ...names].map((name) => [name, strToU8(html(name))])))
  const faults: string[] = []
  page.on('pageerror', (error) => faults.push(error.message))
  await page.goto('/')
  await page
    .getByLabel('Choose a zip')
    .setInputFiles({ name: 'odd.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  await expect(page.getByText(/is gathered\./)).toBeVisible()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  const cards = page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button')
  // The start is a page too; what its link names is not there, and is none.
  await expect(cards).toHaveCount(names.length + 1)
  for (let at = 0; at < names.length + 1; at++) {
    await cards.nth(at).dblclick()
    await expect(page.getByRole('article', { name: 'Wide feed' })).toBeVisible()
    await page.goBack()
  }
  for (const area of ['Causes', 'Pictures', 'Drafts', 'Drift', 'Clearance']) {
    await page.getByRole('navigation', { name: 'Areas' }).getByRole('link', { name: area }).click()
    await expect(page.getByText('could not be drawn')).toHaveCount(0)
  }
  expect(faults).toEqual([])
})

/** Writes rows that no version of the app writes. */
const breakRows = (page: Page, text: string) =>
  page.evaluate(
    (broken) =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('nimble-parrot')
        opening.onsuccess = () => {
          const change = opening.result.transaction('rowParts', 'readwrite')
          const walk = change.objectStore('rowParts').openCursor()
          walk.onsuccess = () => {
            walk.result?.update({ ...walk.result.value, text: broken })
            walk.result?.continue()
          }
          change.oncomplete = () => resolve()
        }
      }),
    text,
  )

for (const [what, text] of [
  ['that can’t be read', '{"rows":['],
  [
    'without what is drawn',
    '{"rows":[{"url":"https://brasswick.example/","path":null,"findings":[],"cards":[],"texts":[]}],"sections":[]}',
  ],
] as const) {
  test(`a fault of one area stays in it: rows ${what} are said, and the rest can be gone to`, async ({ page }) => {
    await openWall(page)
    await breakRows(page, text)
    await page.reload()
    await expect(page.getByText(/^Wall could not be drawn \(.+\)\. What was gathered is kept\./)).toBeVisible()
    await page.keyboard.press('Control+k')
    await expect(page.getByRole('dialog')).toBeVisible()
    await page.keyboard.press('Escape')
    await page
      .getByRole('navigation', { name: 'Areas' })
      .getByRole('link', { name: /^Gather/ })
      .click()
    await expect(page.getByRole('button', { name: 'Gather the demo' })).toBeVisible()
  })
}
