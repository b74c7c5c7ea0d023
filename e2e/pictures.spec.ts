import { readFileSync } from 'node:fs'
import { expect, type Page, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import sharp from 'sharp'
import { demoFolder } from '../demo/server.mjs'
import { expectAccessible, openWall } from './app'

const list = (page: Page) => page.getByRole('region', { name: 'Share pictures' })
const refit = (page: Page) => page.getByRole('region', { name: 'Refit', exact: true })
const stage = (page: Page) => page.getByRole('region', { name: 'The picture', exact: true })

async function openPicture(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('link', { name: 'Pictures' }).click()
  await list(page).getByLabel('Order of the pictures').selectOption('worst')
  await list(page).getByRole('button', { name }).click()
}

async function saved(page: Page, act: () => Promise<void>): Promise<Buffer> {
  const download = page.waitForEvent('download')
  await act()
  return readFileSync(await (await download).path())
}

test('shows what each place keeps, the keep zone, and the look after recompressing', async ({ page }) => {
  await openWall(page)
  await openPicture(page, /lathe-night\.jpg/)
  // 1080 × 1350: 1.91 : 1 keeps 565 of 1350 lines, the square 1080 of them.
  await expect(stage(page).getByRole('button', { name: 'Wide feed: keeps 42 %' })).toBeVisible()
  await expect(stage(page).getByRole('button', { name: 'Feed reply: keeps 80 %' })).toBeVisible()
  await expect(stage(page)).toContainText('Wide feed and 4 more: 58 % lost')
  await expectAccessible(page)
  await stage(page).getByRole('radio', { name: 'Keep zone only' }).click()
  await expect(stage(page)).toContainText('Keep zone, 42 % of the picture')
  for (const name of ['Wide feed', 'Microblog', 'Work network', 'Community chat', 'Phone chat'])
    await stage(page).getByLabel(`${name} counts for the keep zone`).uncheck()
  await expect(stage(page)).toContainText('Keep zone, 80 % of the picture')
  await stage(page).getByRole('radio', { name: 'As recompressed' }).click()
  await stage(page)
    .getByRole('button', { name: /^Phone chat: keeps/ })
    .click()
  await expect(stage(page)).toContainText('longest side 800 px, JPEG at quality 65 (our guess)')
  await expect(stage(page)).toContainText(/as the place makes it, about: 800 × 419, \d+ KB/)
  await page.reload()
  await expect(stage(page)).toContainText(/as the place makes it, about: 800 × 419, \d+ KB/)
})

test('refits in the browser within the budget, moves the focus by keys, and drafts the result', async ({ page }) => {
  await openWall(page)
  await openPicture(page, /lathe-night\.jpg/)
  await expect(refit(page)).toContainText(/\d+ KB, quality \d+/)
  const handle = stage(page).getByRole('button', { name: /^Focus of the refit/ })
  await handle.focus()
  for (let step = 0; step < 10; step++) await page.keyboard.press('Shift+ArrowUp')
  await expect(refit(page)).toContainText('50 % from the left, 0 % from the top')
  await refit(page).getByLabel('Weight').fill('40')
  await expect(refit(page)).toContainText('to 40 KB')
  await expect(refit(page)).toContainText(/(?:3\d|40) KB, quality \d+, was 72 KB.*Quality \d+ would weigh 4\d KB/)
  const made = await saved(page, () => refit(page).getByRole('button', { name: 'Save picture' }).click())
  expect(made.length).toBeLessThanOrEqual(40_000)
  const { width, height, exif, format } = await sharp(made).metadata()
  expect({ width, height, exif, format }).toEqual({ width: 1200, height: 630, exif: undefined, format: 'jpeg' })
  // The focus is at the top: what was the original's first line is the refit's.
  const top = async (picture: Buffer) =>
    sharp(
      await sharp(picture).resize(1080).extract({ left: 0, top: 0, width: 1080, height: 8 }).png().toBuffer(),
    ).stats()
  const ours = await top(made)
  const original = await top(readFileSync(`${demoFolder}/img/lathe-night.jpg`))
  for (const channel of [0, 1, 2])
    expect(Math.abs(ours.channels[channel]!.mean - original.channels[channel]!.mean)).toBeLessThan(6)
  await refit(page).getByRole('button', { name: 'Use in drafts' }).click()
  await expect(refit(page)).toContainText('1 page drafted')
  await refit(page).getByRole('button', { name: 'See the drafts' }).click()
  await page.goBack()
  await page.getByRole('region', { name: 'Pages of the picture' }).getByRole('button').first().click()
  await expect(page.getByRole('heading', { name: '/workshops/lathe-night' })).toBeVisible()
  await page.keyboard.press('e')
  await expect(page.getByRole('tabpanel')).toContainText('lathe-night-1200x630.jpg')
  await expect(page.getByRole('tabpanel')).toContainText(/1200 × 630, \d\d KB/)
})

test('every way to fill a shape leaves the whole picture in it, and something beside it', async ({ page }) => {
  await openWall(page)
  await openPicture(page, /lathe-night\.jpg/)
  await refit(page).getByLabel('Format').selectOption('png')
  await expect(refit(page).getByRole('figure')).not.toContainText('quality')
  for (const [fill, corner] of [
    ['extend', null],
    ['blur', null],
    ['color', [20, 35, 30]],
  ] as const) {
    const before = (await refit(page).getByRole('img', { name: 'As refitted' }).getAttribute('src')) ?? ''
    await refit(page).getByLabel('Fill').selectOption(fill)
    await expect(refit(page).getByRole('img', { name: 'As refitted' })).not.toHaveAttribute('src', before)
    const made = await saved(page, () => refit(page).getByRole('button', { name: 'Save picture' }).click())
    const { data, info } = await sharp(made).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)]
    const middle = at(600, 315)
    // 504 px wide in the middle; what fills the sides is neither white nor nothing.
    expect([info.width, info.height]).toEqual([1200, 630])
    expect(middle.join()).not.toBe('255,255,255')
    for (const x of [3, 1196]) {
      if (corner) expect(at(x, 300)).toEqual([...corner])
      else expect(Math.max(...at(x, 300).map((level) => Math.abs(level - 255)))).toBeGreaterThan(30)
    }
  }
})

test('a folder’s pictures are refitted together, nothing is sent, and a manifest says what was made', async ({
  page,
}) => {
  const sent: string[] = []
  page.on('request', (request) => {
    if (request.method() !== 'GET') sent.push(request.url())
  })
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(demoFolder)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  sent.length = 0
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await openPicture(page, /lathe-night\.jpg/)
  await page.keyboard.press('x')
  await list(page)
    .getByRole('button', { name: /chisel\.webp/ })
    .click()
  await page.keyboard.press('x')
  await expect(list(page)).toContainText('2 pictures selected')
  await list(page)
    .getByRole('button', { name: /^Refit to 1200 × 630/ })
    .click()
  // Every result is seen before anything is saved, and its focus is moved there.
  const batch = page.getByRole('dialog', { name: '2 pictures, as they will be saved' })
  const lathe = batch.getByRole('listitem', { name: /lathe-night/ })
  await expect(lathe.getByRole('img', { name: 'As it will be saved' })).toBeVisible()
  await expect(lathe).toContainText('focus: proposed')
  await expect(batch.getByRole('listitem', { name: /chisel/ })).toContainText('Left out')
  await expectAccessible(page)
  const ring = lathe.getByRole('button', { name: /^Focus of the refit/ })
  await ring.focus()
  for (let turn = 0; turn < 3; turn++) await page.keyboard.press('Shift+ArrowDown')
  await expect(lathe).toContainText('focus: set')
  const zip = unzipSync(
    new Uint8Array(await saved(page, () => batch.getByRole('button', { name: 'Save 2 pictures as a zip' }).click())),
  )
  expect(Object.keys(zip).sort()).toEqual(['img/lathe-night-1200x630.jpg', 'manifest.json'])
  const manifest = JSON.parse(new TextDecoder().decode(zip['manifest.json']))
  const made = manifest.pictures.find(({ file }: { file: string | null }) => file)
  expect(made).toMatchObject({ width: 1200, height: 630, enlarged: 1.11, withinBudget: true, focus: { from: 'set' } })
  expect(made.bytes).toBe(zip['img/lathe-night-1200x630.jpg']!.length)
  expect(manifest.pictures.find(({ file }: { file: string | null }) => file === null).left).toMatch(
    /Not in the build|404/,
  )
  await expect(batch).toContainText('1 picture refitted, 1 left out')
  // What was chosen for one picture holds for the selection: it is kept whole, and says so before.
  await page.keyboard.press('Escape')
  await list(page)
    .getByRole('button', { name: /lathe-night\.jpg/ })
    .click()
  await refit(page).getByLabel('Fill').selectOption('blur')
  await list(page)
    .getByRole('button', { name: /^Refit to 1200 × 630.*: whole, before itself blurred$/ })
    .click()
  await expect(lathe.getByRole('img', { name: 'As it will be saved' })).toBeVisible()
  const whole = unzipSync(
    new Uint8Array(await saved(page, () => batch.getByRole('button', { name: 'Save 2 pictures as a zip' }).click())),
  )
  const { pictures } = JSON.parse(new TextDecoder().decode(whole['manifest.json']))
  const { crop } = pictures.find(({ file }: { file: string | null }) => file)
  expect(crop.width / crop.height).not.toBeCloseTo(1200 / 630, 1)
  // The focus is the picture's: it is there after a reload, and what was done to it is undone.
  await page.keyboard.press('Escape')
  await page.reload()
  await openPicture(page, /lathe-night\.jpg/)
  await expect(refit(page).getByRole('button', { name: 'As proposed' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(refit(page)).toContainText('proposed')
  await expect(refit(page).getByRole('button', { name: 'As proposed' })).toBeHidden()
  expect(sent).toEqual([])
})
