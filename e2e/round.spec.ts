import { execFileSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, type Page, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import sharp from 'sharp'

const COUNT = 20
const SITE = 'https://round.example/'
const root = fileURLToPath(new URL('..', import.meta.url))

/** A build of a section whose pages have no picture and no description. */
function bareBuild(): string {
  const folder = mkdtempSync(join(tmpdir(), 'round-'))
  mkdirSync(join(folder, 'guides'))
  const page = (path: string, title: string, body: string) =>
    [
      '<!doctype html>',
      '<html lang="en">',
      '<head>',
      '<meta charset="utf-8">',
      `<title>${title} | Round Hall</title>`,
      `<link rel="canonical" href="${SITE}${path}">`,
      '<meta property="og:site_name" content="Round Hall">',
      '</head>',
      `<body><h1>${title}</h1>${body}</body>`,
      '</html>\n',
    ].join('\n')
  const names = Array.from({ length: COUNT }, (_, index) => `mend-${index}`)
  for (const [index, name] of names.entries())
    writeFileSync(
      join(folder, 'guides', `${name}.html`),
      page(
        `guides/${name}.html`,
        `How to mend thing ${index}`,
        `<p>Thing number ${index} is mended in one evening, with what a kitchen drawer holds.</p>`,
      ),
    )
  const links = names.map((name) => `<a href="/guides/${name}.html">${name}</a>`).join(' ')
  writeFileSync(join(folder, 'index.html'), page('', 'Home of the hall', `<p>All that can be mended.</p>${links}`))
  return folder
}

async function gather(page: Page, folder: string): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await expect(page.getByText('round.example is gathered.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Open the Wall' }).click()
}

type Found = { url: string; findings: { rule: string }[] }

/** Findings of the section's pages, as the command sees the same folder. */
function rulesOf(folder: string): Set<string> {
  const args = ['run', '--silent', 'check', '--', folder, '--site', SITE, '--format', 'json', '--fail-on', 'never']
  const { pages } = JSON.parse(execFileSync('npm', args, { cwd: root, encoding: 'utf8', maxBuffer: 1 << 28 }))
  const own = (pages as Found[]).filter(({ url }) => url.startsWith(`${SITE}guides/`))
  expect(own).toHaveLength(COUNT)
  return new Set(own.flatMap(({ findings }) => findings.map(({ rule }) => rule)))
}

test('the whole round: twenty pages drafted with pictures, patched, landed, and gone again', async ({ page }) => {
  const folder = bareBuild()
  await gather(page, folder)
  // A description for each from its own text.
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  await page.getByRole('button', { name: /^\/guides\/mend-0\.html:/ }).click()
  await page.keyboard.press('x')
  await page.getByRole('button', { name: /^Select all/ }).click()
  await page.getByRole('button', { name: `Draft for ${COUNT} pages` }).click()
  await page.getByRole('button', { name: `Write ${COUNT} drafts` }).click()
  await expect(page.getByRole('heading', { name: `${COUNT} drafts not wholly in the build` })).toBeVisible()
  // A picture for each from a template.
  await page.getByRole('link', { name: 'Pictures' }).click()
  await page
    .getByRole('button', { name: 'Compose pictures' })
    .or(page.getByRole('radio', { name: 'Compose new ones' }))
    .first()
    .click()
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  await page.getByRole('button', { name: `Use in ${COUNT} drafts` }).click()
  await expect(page.getByText(`${COUNT} pictures made and drafted.`)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'See the drafts' }).click()
  await expect(page.getByRole('figure', { name: 'with the draft' }).first()).toBeVisible()
  // Both leave in one zip, in the folders of the build.
  await page.getByRole('tab', { name: 'Take away' }).click()
  await page.getByLabel('Built folder to patch').setInputFiles(folder)
  const built = page.getByRole('region', { name: 'The built folder' })
  await expect(built.getByText(`${COUNT} files would change`)).toBeVisible()
  const download = page.waitForEvent('download')
  await built.getByRole('button', { name: /^Save a zip/ }).click()
  const zip = unzipSync(new Uint8Array(readFileSync(await (await download).path())))
  const patched = mkdtempSync(join(tmpdir(), 'round-patched-'))
  cpSync(folder, patched, { recursive: true })
  for (const [path, bytes] of Object.entries(zip)) {
    mkdirSync(dirname(join(patched, path)), { recursive: true })
    writeFileSync(join(patched, path), bytes)
  }
  expect(Object.keys(zip).filter((path) => path.endsWith('.html'))).toHaveLength(COUNT)
  const pictures = Object.keys(zip).filter((path) => path.endsWith('.jpg'))
  expect(pictures).toHaveLength(COUNT)
  const { width, height } = await sharp(Buffer.from(zip[pictures[0]!]!)).metadata()
  expect([width, height]).toEqual([1200, 630])
  // In the patched build every draft has landed, and what it was made for is gone.
  const before = rulesOf(folder)
  const after = rulesOf(patched)
  for (const rule of ['og-image-missing', 'description-missing']) {
    expect(before).toContain(rule)
    expect(after).not.toContain(rule)
  }
  expect([...after].filter((rule) => rule.startsWith('image-'))).toEqual([])
  await gather(page, patched)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByRole('heading', { name: 'Every draft is in the build' })).toBeVisible()
  await page.getByRole('link', { name: 'Wall' }).click()
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  await page.getByRole('button', { name: /^\/guides\/mend-0\.html:/ }).dblclick()
  await page.getByRole('tab', { name: /^Findings/ }).click()
  await expect(page.getByRole('tabpanel')).not.toContainText('og-image-missing')
  await expect(page.getByRole('tabpanel')).not.toContainText('description-missing')
  // The build as it was: all of it is said to be gone again.
  await gather(page, folder)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByRole('heading', { name: `${COUNT} drafts not wholly in the build` })).toBeVisible()
  await expect(page.getByText(`${COUNT} of the others were, and are missing again`)).toBeVisible()
})
