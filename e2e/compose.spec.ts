import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, type Page, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import sharp from 'sharp'
import { demoFolder } from '../demo/server.mjs'
import { expectAccessible, openWall } from './app'

const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true })
const template = (page: Page) => part(page, 'Template')
const drawn = (page: Page) => part(page, 'Composed pictures').getByRole('figure').getByRole('img')

async function openComposer(page: Page): Promise<void> {
  await openWall(page)
  await page.getByRole('link', { name: 'Pictures' }).click()
  await page.getByRole('radio', { name: 'Compose new ones' }).click()
  await expect(drawn(page)).toBeVisible()
}

async function saved(page: Page, act: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const download = page.waitForEvent('download')
  await act()
  const file = await download
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
}

const MARK =
  '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" fill="#00ff00"/></svg>'

/** Share of a picture's pixels that are of about a colour, in a part of it given in px. */
async function shareOf(picture: Uint8Array, color: number[], part: { left: number; width: number }): Promise<number> {
  const { data, info } = await sharp(picture)
    .extract({ top: 0, height: 630, ...part })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  let found = 0
  for (let at = 0; at < data.length; at += 3)
    if (color.every((channel, index) => Math.abs(data[at + index]! - channel) < 24)) found++
  return found / (info.width * info.height)
}

test('composes a picture for each page that has none: the neediest section first, all in sight, as a zip', async ({
  page,
}) => {
  await openComposer(page)
  await expect(part(page, 'Sections').getByRole('listitem').getByRole('button', { pressed: true })).toContainText(
    '/people/*6 pages5 without a picture',
  )
  await expect(drawn(page)).toHaveAttribute('alt', 'Ada Quillfeather')
  await expect(part(page, 'Composed pictures').getByRole('listitem')).toHaveCount(6)
  await expect(part(page, 'Composed pictures')).not.toContainText('plain one stands in')
  await expectAccessible(page)

  await template(page).getByText('7 of 8 places').click()
  await template(page).getByLabel('Feed reply').check()
  await template(page).getByLabel('Ground colour').fill('#7a1f3d')
  await template(page)
    .getByLabel('Picture of the mark')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(MARK) })
  await expect(template(page)).toContainText('mark.svg')
  await template(page).getByLabel('Height of the mark, in px').fill('60')
  const { name, bytes } = await saved(page, () => page.getByRole('button', { name: 'Save zip' }).click())
  expect(name).toBe('share-pictures.zip')
  const files = unzipSync(bytes)
  const manifest = JSON.parse(new TextDecoder().decode(files['manifest.json']))
  expect(manifest).toMatchObject({
    format: 'nimble-parrot-composed-pictures',
    version: 1,
    site: 'https://brasswick.example/',
    section: '/people/*',
  })
  expect(manifest.pictures).toHaveLength(5)
  for (const picture of manifest.pictures) {
    const file = files[picture.file]!
    const { width, height, format } = await sharp(file).metadata()
    expect({ width, height, format }).toEqual({ width: 1200, height: 630, format: 'jpeg' })
    expect(file).toHaveLength(picture.bytes)
    expect(file.length).toBeLessThanOrEqual(100_000)
    expect(picture.titleCut).toBe(false)
    expect(picture.contrast).toBeGreaterThan(4.5)
    // The square in the middle is what every place keeps: beside it there is the ground and nothing else.
    expect(await shareOf(file, [0x7a, 0x1f, 0x3d], { left: 0, width: 280 })).toBe(1)
    expect(await shareOf(file, [0x7a, 0x1f, 0x3d], { left: 920, width: 280 })).toBe(1)
    const middle = { left: 290, width: 620 }
    // The mark, 60 × 60 px; JPEG mixes the colours of its outermost lines with the ground.
    const mark = (await shareOf(file, [0, 255, 0], middle)) * 620 * 630
    expect(mark).toBeGreaterThanOrEqual(54 * 54)
    expect(mark).toBeLessThanOrEqual(60 * 60)
    expect(await shareOf(file, [255, 255, 255], middle)).toBeGreaterThan(0.015)
  }
  expect(manifest.pictures[0]).toMatchObject({
    page: 'https://brasswick.example/people/ada-quillfeather',
    file: 'share/people-ada-quillfeather.jpg',
    address: 'https://brasswick.example/share/people-ada-quillfeather.jpg',
    title: 'Ada Quillfeather',
  })
})

test('drafts the pictures with an alternative text, in one step that can be undone', async ({ page }) => {
  await openComposer(page)
  await page.getByRole('button', { name: 'Use in 5 drafts' }).click()
  await expect(part(page, 'Fill in')).toContainText('5 pictures made and drafted.')
  await expect(part(page, 'Sections').getByRole('listitem').getByRole('button', { pressed: true })).toContainText(
    '5 drafted',
  )
  await page.getByRole('button', { name: 'See the drafts' }).click()
  await expect(page.getByRole('heading', { name: '5 drafts not wholly in the build' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo: the composed pictures' }).click()
  await expect(page.getByText('people-benno-tarrow.jpg')).toHaveCount(0)
  await page.keyboard.press('Control+Shift+z')
  await page.getByText('people-benno-tarrow.jpg').waitFor()
  await page.getByText('/people/benno-tarrow', { exact: true }).click()
  const card = page.getByRole('article', { name: 'Wide feed' })
  await expect(card.locator('image').first()).toHaveAttribute('href', /^blob:/)
  await page.keyboard.press('e')
  await expect(page.getByRole('tabpanel')).toContainText('people-benno-tarrow.jpg')
  await expect(page.getByRole('tabpanel').getByLabel('Alternative text')).toHaveValue('Benno Tarrow')
})

test('a template stays, is saved with its files, and read again; faults are named', async ({ page }) => {
  await openComposer(page)
  await template(page).getByLabel('Title’s text').fill('{title')
  await expect(template(page)).toContainText('This { is never closed.')
  await template(page).getByLabel('Title’s text').fill('Meet {title}')
  await expect(drawn(page)).toHaveAttribute('alt', 'Meet Ada Quillfeather')
  const height = template(page).getByLabel('Margin, in px')
  const before = await height.inputValue()
  await height.fill('20')
  await height.press('Control+z')
  await expect(height).toHaveValue(before)
  await expect(drawn(page)).toHaveAttribute('alt', 'Meet Ada Quillfeather')
  await template(page)
    .getByLabel('Picture of the mark')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(MARK) })
  await expect(template(page)).toContainText('mark.svg')
  // Right after a change, as somebody would who closes the tab.
  await template(page).getByLabel('Margin, in px').fill('44')
  await page.reload()
  await expect(drawn(page)).toHaveAttribute('alt', 'Meet Ada Quillfeather')
  const { name, bytes } = await saved(page, () => part(page, 'Sections').getByRole('button', { name: 'Save' }).click())
  await expect(template(page).getByLabel('Margin, in px')).toHaveValue('44')
  expect(name).toBe('nimble-parrot-pictures.zip')
  const files = unzipSync(bytes)
  expect(Object.keys(files).sort()).toEqual(['mark.svg', 'nimble-parrot-pictures.json'])
  const text = new TextDecoder().decode(files['nimble-parrot-pictures.json'])
  await page.getByRole('button', { name: 'Begin again' }).click()
  await expect(drawn(page)).toHaveAttribute('alt', 'Ada Quillfeather')

  const open = (json: string, ...more: { name: string; mimeType: string; buffer: Buffer }[]) =>
    page
      .getByLabel('Templates to open')
      .setInputFiles([{ name: 'pictures.json', mimeType: 'application/json', buffer: Buffer.from(json) }, ...more])
  await open(text.replace('"margin"', '"marign"'))
  await expect(part(page, 'Sections').getByRole('alert')).toContainText('Is “margin” meant?')
  await expect(drawn(page)).toHaveAttribute('alt', 'Ada Quillfeather')
  await open(text.replaceAll('mark.svg', 'other.svg'))
  await expect(part(page, 'Sections').getByRole('alert')).toContainText('other.svg: The templates name it.')
  await open(text, { name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(MARK) })
  await expect(part(page, 'Sections')).toContainText('1 template taken over.')
  await expect(drawn(page)).toHaveAttribute('alt', 'Meet Ada Quillfeather')
})

test('says what is wrong with a picture: no room, no contrast, no face, a font that is none', async ({ page }) => {
  await openComposer(page)
  const stage = part(page, 'Composed pictures').getByRole('figure')
  await template(page).getByLabel('Ground colour').fill('#f0f0f0')
  await expect(stage).toContainText('The title stands out 1.1 : 1 from its ground')
  await template(page).getByLabel('Colour of the letters').fill('#111111')
  await expect(stage).not.toContainText('stands out')
  await template(page)
    .getByLabel('Title’s text')
    .fill(`{title} ${'and a very long word '.repeat(20)}`)
  await expect(stage).toContainText('The title has no room, even at its smallest.')
  await template(page).getByLabel('Title’s text').fill('{title}')
  await template(page)
    .getByLabel('Font file')
    .setInputFiles({ name: 'hall.woff2', mimeType: 'font/woff2', buffer: Buffer.from('no font at all') })
  await expect(stage).toContainText('The font file can’t be read.')
  await page.getByRole('button', { name: 'Save zip' }).click()
  await expect(part(page, 'Fill in')).toContainText('0 pictures made, 5 left out (The font file can’t be read')
  const arimo = readFileSync('node_modules/@fontsource/arimo/files/arimo-latin-400-normal.woff2')
  await template(page)
    .getByLabel('Font file')
    .setInputFiles({ name: 'hall.woff2', mimeType: 'font/woff2', buffer: arimo })
  await expect(stage).not.toContainText('can’t be read')
  // Letters that the face lacks are said by letter before anything is made.
  await template(page).getByLabel('Title’s text').fill('Привет {title}')
  await expect(stage).toContainText('“hall.woff2” lacks П р и в е т: another face stands in.')
  await template(page).getByLabel('Title’s text').fill('{title}')
  await expect(stage).not.toContainText('lacks')
  await template(page).getByLabel('Title’s text').blur()
  await page.locator('body').press('j')
  await expect(drawn(page)).toHaveAttribute('alt', 'Benno Tarrow')
  await page.locator('body').press('ArrowDown')
  await expect(page).toHaveURL(/page=\/people/)
  await template(page)
    .getByLabel('Picture of the mark')
    .setInputFiles({ name: 'bad.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(stage).toContainText('The mark can’t be used. This browser can’t decode the picture.')
  await template(page).getByRole('button', { name: 'Without it' }).last().click()
  await expect(stage).not.toContainText('The mark')
})

test('the command composes what the app does, from the templates that it saves', async ({ page }) => {
  await openComposer(page)
  const design = template(page).getByRole('button', { name: 'Picture at the right' })
  await design.click()
  await expect(design).toHaveAttribute('aria-pressed', 'true')
  await expect(template(page).getByLabel('Picture beside')).toHaveValue('right')
  await expectAccessible(page)
  await template(page)
    .getByLabel('Picture of the mark')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(MARK) })
  await expect(template(page)).toContainText('mark.svg')
  const ofApp = unzipSync((await saved(page, () => page.getByRole('button', { name: 'Save zip' }).click())).bytes)
  const { bytes } = await saved(page, () => part(page, 'Sections').getByRole('button', { name: 'Save' }).click())
  const here = mkdtempSync(join(tmpdir(), 'compose-'))
  for (const [name, content] of Object.entries(unzipSync(bytes))) writeFileSync(join(here, name), content)
  const root = fileURLToPath(new URL('..', import.meta.url))
  const templates = join(here, 'nimble-parrot-pictures.json')
  const args = ['run', '--silent', 'compose', '--', demoFolder, '--templates', templates, '--out', join(here, 'made')]
  expect(spawnSync('npm', args, { cwd: root, encoding: 'utf8' }).stdout).toContain('5 pictures')
  const grey = (picture: Uint8Array) => sharp(picture).greyscale().blur(1).raw().toBuffer()
  for (const name of ['share/people-ada-quillfeather.jpg', 'share/people-tobias-fenn.jpg']) {
    const [app, command] = await Promise.all([grey(ofApp[name]!), grey(readFileSync(join(here, 'made', name)))])
    const apart = app.filter((value, at) => Math.abs(value - command[at]!) > 48).length
    // Letters fall alike; a photograph is cut to whole pixels by the one and to parts of them by the other.
    expect(apart / app.length, name).toBeLessThan(0.01)
  }
})
