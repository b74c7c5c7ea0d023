import { spawnSync } from 'node:child_process'
import { copyFileSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { expect, type Page, test } from '@playwright/test'
import sharp, { type Sharp } from 'sharp'
import { demoFolder } from '../demo/server.mjs'
import { expectAccessible, openWall } from './app'

const root = fileURLToPath(new URL('..', import.meta.url))
const here = mkdtempSync(join(tmpdir(), 'papers-'))

/** Saves a paper of the demo, as a file that a browser opens as what it is. */
async function savedAs(page: Page, button: string, name: string): Promise<string> {
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: button, exact: true }).click()
  const file = join(here, name)
  copyFileSync(await (await download).path(), file)
  return file
}

const pagesOf = (pdf: Buffer) => (pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length

function command(...args: string[]): void {
  const { status, stderr } = spawnSync('npm', ['run', '--silent', ...args], { cwd: root, encoding: 'utf8' })
  expect({ status, stderr: stderr.replace(/^npm warn .*\n/gm, '') }).toEqual({ status: 0, stderr: '' })
}

test('the report opens from the disk, reads on a phone and in the dark, and prints; one page of it is one page', async ({
  page,
}) => {
  await openWall(page)
  await page.getByRole('link', { name: 'Clearance' }).click()
  await page.getByRole('tab', { name: 'Papers' }).click()
  const whole = await savedAs(page, 'Report (HTML)', 'report.html')
  const brief = await savedAs(page, 'On one page', 'one-page.html')
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  await page.goto(pathToFileURL(whole).href)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not clear for launch')
  // Pictures are inside: every card that has one shows it, and nothing is asked for.
  expect(await page.locator('symbol image').count()).toBeGreaterThan(10)
  expect(await page.locator('figure svg use').count()).toBeGreaterThan(10)
  await expectAccessible(page)
  await page.emulateMedia({ colorScheme: 'dark' })
  await expectAccessible(page)
  await page.setViewportSize({ width: 390, height: 800 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  expect(asked.filter((url) => !/^(?:file|data):/.test(url))).toEqual([])
  await page.emulateMedia({ colorScheme: null })
  for (const format of ['A4', 'Letter']) {
    const pages = pagesOf(await page.pdf({ format }))
    expect(pages).toBeGreaterThan(4)
    expect(pages).toBeLessThan(20)
  }
  await page.goto(pathToFileURL(brief).href)
  for (const format of ['A4', 'Letter']) expect(pagesOf(await page.pdf({ format }))).toBe(1)
})

test('cards as PNG and as SVG look alike, each with its own way to its letters', async ({ page }) => {
  for (const name of ['lamp.png', 'lamp.svg'])
    command('cards', '--', demoFolder, '--page', '/guides/rewire-a-lamp', '--out', join(here, name))
  const png = sharp(join(here, 'lamp.png'))
  const { width = 0, height = 0 } = await png.metadata()
  await page.setViewportSize({ width: width / 2, height: height / 2 })
  await page.setContent(`<body style="margin:0">${readFileSync(join(here, 'lamp.svg'), 'utf8')}`)
  await page.evaluate(() => document.fonts.ready)
  const shot = await page.screenshot()
  const raw = (picture: Sharp) =>
    picture
      .resize(width / 2, height / 2, { fit: 'fill' })
      .removeAlpha()
      .greyscale()
      .blur(1)
      .raw()
      .toBuffer()
  const [drawn, shown] = await Promise.all([raw(png.clone()), raw(sharp(shot))])
  const apart = drawn.filter((value, at) => Math.abs(value - shown[at]!) > 48).length
  expect(apart / drawn.length).toBeLessThan(0.002)
})

/** A picture as grey levels, at half its size: what is compared is the drawing, and not how edges are smoothed. */
const greys = (picture: Sharp, width: number, height: number) =>
  picture
    .resize(Math.round(width / 2), Math.round(height / 2), { fit: 'fill' })
    .removeAlpha()
    .greyscale()
    .blur(1)
    .raw()
    .toBuffer()

test.describe('at two pixels a px', () => {
  test.use({ deviceScaleFactor: 2, viewport: { width: 1800, height: 1000 }, colorScheme: 'light' })

  test('a saved picture of all cards shows each of them as the screen does', async ({ page }) => {
    await openWall(page)
    const at = new URL(page.url())
    at.pathname = at.pathname.replace(/\/wall$/, '/page')
    at.searchParams.set('page', '/guides/rewire-a-lamp')
    await page.goto(at.href)
    const cards = page.getByRole('region', { name: 'Cards of the page' }).locator('article > div svg')
    await expect(cards).toHaveCount(10)
    // Every picture is there: the start page's icon too.
    await expect(page.getByRole('region', { name: 'Cards of the page' }).locator('svg image')).not.toHaveCount(0)
    await page.waitForTimeout(500)
    await page.getByRole('button', { name: 'Save cards' }).click()
    const download = page.waitForEvent('download')
    await page.getByRole('menuitem', { name: /PNG/ }).click()
    const saved = sharp(await (await download).path())
    await page.keyboard.press('Escape')
    const sizes = await cards.evaluateAll((all) =>
      all.map((one) => (one as SVGSVGElement).viewBox.baseVal).map(({ width, height }) => ({ width, height })),
    )
    // Where the sheet puts them: in two columns, each where there is most room.
    const columnPx = Math.max(...sizes.map(({ width }) => width))
    const columns = [28, 28 + columnPx + 28].map((x) => ({ x, y: 94 }))
    for (const [index, { width, height }] of sizes.entries()) {
      const column = columns[0]!.y <= columns[1]!.y ? columns[0]! : columns[1]!
      const top = column.y + 24
      column.y = top + height + 28
      const shot = sharp(await cards.nth(index).screenshot())
      const part = saved.clone().extract({
        left: Math.round(column.x * 2),
        top: Math.round(top * 2),
        width: Math.round(width * 2),
        height: Math.round(height * 2),
      })
      const [shown, drawn] = await Promise.all([greys(shot, 2 * width, 2 * height), greys(part, 2 * width, 2 * height)])
      const apart = shown.filter((level, pixel) => Math.abs(level - drawn[pixel]!) > 32).length
      expect(apart / shown.length, `card ${index + 1}`).toBeLessThan(0.002)
    }
  })
})

test('cards are shown as a picture to drag, and copied', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openWall(page)
  const at = new URL(page.url())
  at.pathname = at.pathname.replace(/\/wall$/, '/page')
  at.searchParams.set('page', '/guides/rewire-a-lamp')
  await page.goto(at.href)
  await page.getByRole('button', { name: 'Save cards' }).click()
  await page.getByRole('menuitem', { name: 'Show it, to drag' }).click()
  const picture = page.getByRole('img', { name: 'Cards: cards-guides-rewire-a-lamp.png' })
  await expect(picture).toBeVisible()
  expect(await picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(1000)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Save cards' }).click()
  await page.getByRole('menuitem', { name: 'Copy the picture' }).click()
  await expect(page.getByText('Copied.')).toBeVisible()
  await expect
    .poll(() => page.evaluate(async () => (await navigator.clipboard.read()).flatMap(({ types }) => [...types])))
    .toContain('image/png')
})
