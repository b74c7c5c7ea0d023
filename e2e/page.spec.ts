import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { expectAccessible, lampOnWall, openWall } from './app'

test.beforeEach(async ({ page }) => {
  await openWall(page)
  await (await lampOnWall(page)).dblclick()
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeVisible()
})

test('shows the source with lines, and each part of a card lights the line that feeds it', async ({ page }) => {
  const source = page.getByRole('region', { name: 'Source of the page' })
  const line = source.getByRole('listitem').filter({ hasText: 'og:title' }).first()
  await expect(line).toContainText('Rewire a table lamp safely in one evening')
  await page
    .getByRole('article', { name: 'Wide feed' })
    .getByRole('button', { name: /^Title, from og:title, line \d+/ })
    .hover()
  await expect(line).toHaveClass(/bg-pick-soft/)
  await expectAccessible(page)
})

test('the text of a card breaks into the very lines that the core gives', async ({ page }) => {
  const lines = page.getByRole('article', { name: 'Feed reply' }).locator('svg text')
  await expect(lines).toHaveText(['brasswick.example', 'Rewire a table lamp safely in one', 'evening'])
  // What was measured in the face's own widths fits the box of 260 px where the browser sets it.
  await page.evaluate(() => document.fonts.ready)
  const widths = await lines.evaluateAll((all) => all.map((line) => (line as SVGTextElement).getComputedTextLength()))
  expect(Math.max(...widths)).toBeLessThanOrEqual(262)
  expect(Math.max(...widths)).toBeGreaterThan(180)
})

test('a finding opens to what its check looks at and why', async ({ page }) => {
  await page.getByRole('tab', { name: /^Findings/ }).click()
  await page.getByRole('button', { name: 'description-missing: what this check is', exact: true }).click()
  const said = page.getByRole('dialog')
  await expect(said).toContainText('Looks at each page')
  await expect(said).toContainText('An error, unless the requirements say otherwise')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(said).toBeHidden()
  await expect(page).toHaveURL(/\/page/)
})

test('findings name the line and the mend', async ({ page }) => {
  await page.getByRole('tab', { name: /^Findings/ }).click()
  const panel = page.getByRole('tabpanel')
  await expect(panel).toContainText('There is neither a description nor an og:description.')
  await expect(panel).toContainText('og:title stands on line')
  await expectAccessible(page)
})

test('a reload shows the same page, and J goes to the next', async ({ page }) => {
  await page.reload()
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeVisible()
  await page.keyboard.press('j')
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeHidden()
})

test('the microblog and the search result differ from the feed, each with its own reason', async ({ page }) => {
  await page.keyboard.press('9')
  const panel = page.getByRole('tabpanel')
  await expect(panel).toContainText('Googlebot')
  await expect(
    panel
      .locator('section', { has: page.getByRole('heading', { name: 'Title' }) })
      .getByRole('listitem')
      .first(),
  ).toContainText(/title.*taken/)
})

test('all cards of the page leave as one picture, their words as they are on the cards', async ({ page }) => {
  const saved = async (form: string) => {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save cards' }).click()
    await page.getByRole('menuitem', { name: form }).click()
    return download
  }
  const svg = await saved('SVG')
  expect(svg.suggestedFilename()).toBe('cards-guides-rewire-a-lamp.svg')
  const text = readFileSync(await svg.path(), 'utf8')
  for (const name of ['Wide feed', 'Team chat', 'Search result', 'Browser tab'])
    expect(text).toContain(`>${name}</text>`)
  expect(text).toContain('>Rewire a table lamp safely in one evening</text>')
  const png = await sharp(await (await saved('PNG')).path()).metadata()
  const sides = /width="([\d.]+)" height="([\d.]+)"/.exec(text)!
  expect([png.width, png.height]).toEqual([2 * Number(sides[1]), 2 * Number(sides[2])])
})
