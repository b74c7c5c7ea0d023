import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { unzipSync } from 'fflate'
import sharp from 'sharp'
import { demoFolder } from '../demo/server.mjs'
import { expectAccessible, lampOnWall, openWall } from './app'

const pane = (page: Page) => page.getByRole('tabpanel')

async function openLamp(page: Page): Promise<void> {
  await openWall(page)
  await (await lampOnWall(page)).dblclick()
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeVisible()
}

test('a title may be typed at once after E: no letter is lost, and none is a key of the app', async ({ page }) => {
  await openWall(page)
  await (await lampOnWall(page)).click()
  await page.keyboard.press('e')
  await page.keyboard.type('jkx 1 Lamp')
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeVisible()
  await expect(pane(page).getByLabel('Title', { exact: true })).toHaveValue('jkx 1 Lamp')
  await expect(page.getByRole('article', { name: 'Wide feed' }).getByText('jkx 1 Lamp')).toBeVisible()
})

test('every card answers while a draft is typed; undo, redo and a reload keep it', async ({ page }) => {
  await openLamp(page)
  await page.keyboard.press('e')
  const title = pane(page).getByLabel('Title', { exact: true })
  await expect(title).toBeFocused()
  await title.fill('Lamps made safe')
  for (const name of [
    'Wide feed',
    'Feed reply',
    'Microblog',
    'Work network',
    'Picture board',
    'Search result',
    'Browser tab',
  ])
    await expect(page.getByRole('article', { name })).toContainText('Lamps made safe')
  await pane(page).getByRole('button', { name: 'first paragraph', exact: true }).click()
  await expect(pane(page)).toContainText(/Clears \d+ finding/)
  await expect(pane(page)).toContainText('description-missing')
  await expectAccessible(page)
  await title.press('Alt+1')
  await expect(title).toHaveValue('Rewire a table lamp safely in one evening')
  await title.fill('Lamps made safe')
  await page.reload()
  await expect(title).toHaveValue('Lamps made safe')
  await page.getByRole('radio', { name: 'Built', exact: true }).click()
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText(
    'Rewire a table lamp safely in one evening',
  )
  await page.getByRole('radio', { name: 'With draft' }).click()
  await pane(page).getByRole('radio', { name: 'Microblog only' }).click()
  await pane(page).getByLabel('Title', { exact: true }).fill('For the microblog')
  await expect(page.getByRole('article', { name: 'Microblog' })).toContainText('For the microblog')
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('Lamps made safe')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('article', { name: 'Microblog' })).toContainText('Lamps made safe')
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByRole('article', { name: 'Microblog' })).toContainText('For the microblog')
})

test('a draft’s picture is cut around its focus where it is drafted, and the title is said in JSON-LD too', async ({
  page,
}) => {
  await openLamp(page)
  await page.keyboard.press('e')
  await pane(page).getByLabel('Title', { exact: true }).fill('Lamps made safe')
  const titles = pane(page).getByLabel('What the title says where')
  await expect(titles).toContainText('Rewire a table lamp safely in one evening')
  await titles.getByRole('button', { name: 'Say it there too' }).click()
  await expect(titles).not.toContainText('Rewire a table lamp')
  await pane(page).getByRole('button', { name: 'Choose', exact: true }).click()
  await page.getByLabel('Address of another picture').fill('/img/lathe-night.jpg')
  await page.getByRole('button', { name: 'Use', exact: true }).click()
  await pane(page).getByRole('button', { name: 'Cut', exact: true }).click()
  await page.getByRole('button', { name: /^Focus of the refit/ }).press('ArrowUp')
  await expect(page.getByRole('button', { name: 'Focus as proposed' })).toBeVisible()
  await expectAccessible(page)
  await expect(page.getByText(/^1200 × 630, /)).toBeVisible()
  await page.getByRole('button', { name: 'Draft this cut' }).click()
  await expect(pane(page)).toContainText('lathe-night-1200x630.jpg')
  await page.keyboard.press('Control+z')
  await expect(pane(page)).not.toContainText('lathe-night-1200x630.jpg')
})

test('cut marks say who cuts, and a trim goes to a word’s end', async ({ page }) => {
  await openLamp(page)
  await page.keyboard.press('e')
  const title = pane(page).getByLabel('Title', { exact: true })
  await title.fill('Rewire a table lamp safely in one evening with a screwdriver and a new cord')
  await expect(pane(page)).toContainText('Browser tab cuts here')
  await pane(page).getByRole('button', { name: 'Trim to here' }).first().click()
  await expect(title).toHaveValue('Rewire a table lamp safely')
})

test('from a selection over a bulk draft to a patched build, in which it lands', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'build-'))
  cpSync(demoFolder, folder, { recursive: true })
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('button', { name: /^\/people\/\*/ }).click()
  await page.getByRole('button', { name: /^\/people\/ada-quillfeather:/ }).click()
  await page.keyboard.press('x')
  await page.getByRole('button', { name: /^Select all/ }).click()
  await expect(page.getByRole('region', { name: 'Selected pages' })).toContainText('6 pages selected')
  await page.getByRole('button', { name: 'Draft for 6 pages' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('row')).toHaveCount(7)
  await expectAccessible(page)
  await dialog.getByRole('button', { name: /^Write \d drafts/ }).click()
  await expect(page.getByRole('heading', { name: /drafts? not wholly in the build/ })).toBeVisible()
  await page.getByRole('tab', { name: 'Take away' }).click()
  await page.getByLabel('Built folder to patch').setInputFiles(folder)
  const built = page.getByRole('region', { name: 'The built folder' })
  await expect(built.getByText(/files would change/)).toBeVisible()
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await built.getByRole('button', { name: /^Save a zip/ }).click()
  const zip = unzipSync(new Uint8Array(readFileSync(await (await download).path())))
  expect(Object.keys(zip)).toContain('people/ada-quillfeather.html')
  for (const [path, bytes] of Object.entries(zip))
    writeFileSync(join(folder, dirname(path), path.split('/').at(-1)!), bytes)
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(folder)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByRole('heading', { name: 'Every draft is in the build' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'History' })).toBeVisible()
  // What the draft was made for is mended in the build.
  await page.getByRole('link', { name: 'Wall' }).click()
  await page.getByRole('button', { name: /^\/people\/\*/ }).click()
  await page.getByRole('button', { name: /^\/people\/ada-quillfeather:/ }).dblclick()
  await page.getByRole('tab', { name: /^Findings/ }).click()
  await expect(page.getByRole('tabpanel')).toContainText('og-image-missing')
  await expect(page.getByRole('tabpanel')).not.toContainText('description-missing')
})

/** What stands in for the reader's disk: the browser's private folder, which has the same handles as a chosen one. */
async function buildOnDisk(page: Page, files: Record<string, string>): Promise<void> {
  await page.evaluate(async (contents) => {
    const root = await navigator.storage.getDirectory()
    const build = await root.getDirectoryHandle('build', { create: true })
    for (const [path, text] of Object.entries(contents)) {
      const [folder, name] = path.split('/') as [string, string]
      const inside = await build.getDirectoryHandle(folder, { create: true })
      const stream = await (await inside.getFileHandle(name, { create: true })).createWritable()
      await stream.write(text)
      await stream.close()
    }
    Object.assign(window, { showDirectoryPicker: async () => build })
  }, files)
}

const onDisk = (page: Page, folder: string, name: string) =>
  page.evaluate(
    async ([inside, file]) => {
      const build = await (await navigator.storage.getDirectory()).getDirectoryHandle('build')
      return (await (await (await build.getDirectoryHandle(inside!)).getFileHandle(file!)).getFile()).text()
    },
    [folder, name],
  )

test('a patch is written back into a chosen folder, and never over a file that changed meanwhile', async ({ page }) => {
  await openLamp(page)
  await page.keyboard.press('e')
  await pane(page).getByLabel('Title', { exact: true }).fill('A lamp that is safe again')
  await expect(page.getByRole('article', { name: 'Wide feed' })).toContainText('A lamp that is safe again')
  await page.getByRole('link', { name: 'Drafts' }).click()
  await page.getByRole('tab', { name: 'Take away' }).click()
  const lamp = readFileSync(join(demoFolder, 'guides', 'rewire-a-lamp.html'), 'utf8')
  const other = '<!doctype html><title>Not drafted</title>'
  await buildOnDisk(page, { 'guides/rewire-a-lamp.html': lamp, 'guides/other.html': other })
  const built = page.getByRole('region', { name: 'The built folder' })
  await built.getByRole('button', { name: 'Choose folder to write into' }).click()
  await expect(built.getByText('1 file would change.')).toBeVisible()
  expect(await onDisk(page, 'guides', 'rewire-a-lamp.html')).toBe(lamp)
  await buildOnDisk(page, { 'guides/rewire-a-lamp.html': `${lamp}<!-- built again -->` })
  await built.getByRole('button', { name: 'Write 1 file into build' }).click()
  await expect(built.getByRole('alert')).toContainText('guides/rewire-a-lamp.html has changed since')
  expect(await onDisk(page, 'guides', 'rewire-a-lamp.html')).toContain('built again')
  await built.getByRole('button', { name: 'Choose folder to write into' }).click()
  await built.getByRole('button', { name: 'Write 1 file into build' }).click()
  await expect(built.getByText('1 file written.')).toBeVisible()
  const after = await onDisk(page, 'guides', 'rewire-a-lamp.html')
  expect(after).toContain('<meta property="og:title" content="A lamp that is safe again">')
  expect(after).toContain('built again')
  expect(await onDisk(page, 'guides', 'other.html')).toBe(other)
})

test('a table comes back from a spreadsheet, its changes shown before they are written', async ({ page }) => {
  await openWall(page)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await page.getByRole('tab', { name: 'Texts as a table' }).click()
  await page.getByLabel('Open CSV').setInputFiles({
    name: 'texts.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('address,title,description\n/about,About the hall,\n/nowhere,X,Y\n'),
  })
  const reading = page.getByRole('region', { name: 'What the table changes' })
  await expect(reading).toContainText('1 text would change.')
  await expect(reading).toContainText('/nowhere')
  await expectAccessible(page)
  await reading.getByRole('button', { name: 'Write 1 text' }).click()
  await expect(page.getByLabel('Title of /about')).toHaveValue('About the hall')
})

test('a pattern is seen on every page of its section; its fault points at the character', async ({ page }) => {
  await openWall(page)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await page.getByRole('tab', { name: 'Patterns' }).click()
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  const field = page.getByLabel(/^Page title/)
  await field.fill('{titel} | {site}')
  await expect(page.getByText('Character 2: There is no part “titel”. Is title meant?')).toBeVisible()
  await field.fill('{site}')
  await expect(page.getByRole('region', { name: 'Titles of the section' })).toContainText(
    '14 share a title with another',
  )
  await field.fill('{heading}, a guide[ | {site}]1')
  await expect(page.getByRole('region', { name: 'Titles of the section' })).toContainText('no two the same')
  await expectAccessible(page)
  const text = page.getByRole('textbox', { name: /^Description/ })
  await text.fill('{description}[ By {author}.]1')
  await expect(page.getByRole('region', { name: 'Descriptions of the section' })).toContainText(
    'Unplug it. Then let it cool',
  )
  await text.fill('')
  // Seen first, then applied, and taken back.
  await page.getByRole('tab', { name: 'Take away' }).click()
  await expect(page.getByText(/pages differ from the build/)).toBeHidden()
  await page.getByRole('tab', { name: 'Patterns' }).click()
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  await field.fill('{heading}, a guide[ | {site}]1')
  await page.getByRole('button', { name: 'Apply to 14 pages' }).click()
  await expect(page.getByText('Applied to 14 pages of /guides/*.')).toBeVisible()
  await page.getByRole('tab', { name: 'Take away' }).click()
  await expect(page.getByText('14 pages differ from the build, by drafts, defaults and patterns.')).toBeVisible()
  await page.getByRole('tab', { name: 'Patterns' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('tab', { name: 'Take away' }).click()
  await expect(page.getByText(/pages differ from the build/)).toBeHidden()
})

test('the table opens for the pages that were selected, says what is cut, and is undone after a reload', async ({
  page,
}) => {
  await openWall(page)
  await (await lampOnWall(page)).click()
  await page.keyboard.press('x')
  await page.getByRole('region', { name: 'Selected pages' }).getByRole('button', { name: 'Texts as a table' }).click()
  const table = page.getByRole('region', { name: 'Texts of all pages' })
  await expect(table.getByRole('textbox')).toHaveCount(2)
  const title = table.getByLabel('Title of /guides/rewire-a-lamp')
  await title.fill('Rewire a table lamp safely in one evening, with a screwdriver, a new cord, a new plug and a friend')
  await expect(table).toContainText(/places cut it after “/)
  await title.blur()
  await expect(title).toHaveClass(/border-pick/)
  await page.reload()
  await expect(title).toHaveValue(/a friend$/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(title).toHaveValue('Rewire a table lamp safely in one evening')
  await expectAccessible(page)
})

test('defaults say who inherits them and who says otherwise', async ({ page }) => {
  await openWall(page)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await page.getByRole('tab', { name: 'Site and sections' }).click()
  await page.getByLabel('Site name').fill('Brasswick Mending Hall')
  await expect(page.getByText(/6 pages inherit it .*1 page overrides it/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'Take away' }).click()
  await expect(page.getByText('6 pages differ from the build, by drafts, defaults and patterns.')).toBeVisible()
})

test('a draft that there is no room for is said to be unkept, and is kept once there is room', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...given: Parameters<typeof put>) {
      if (this.name === 'drafts' && sessionStorage.getItem('full'))
        throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
      return put.apply(this, given)
    }
  })
  await openLamp(page)
  await page.evaluate(() => sessionStorage.setItem('full', 'yes'))
  await page.keyboard.press('e')
  await pane(page).getByLabel('Title', { exact: true }).fill('Rewire a lamp in an hour')
  const unkept = page.getByRole('alert').filter({ hasText: 'is not kept' })
  await expect(unkept).toContainText('storage is full. Delete runs that you no longer need, or save the project')
  await expectAccessible(page)
  // After a reload it is still there to be kept.
  await page.reload()
  await expect(unkept).toBeVisible()
  await page.evaluate(() => sessionStorage.removeItem('full'))
  await unkept.getByRole('button', { name: 'Try again' }).click()
  await expect(unkept).toHaveCount(0)
  await page.reload()
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByText('Rewire a lamp in an hour').first()).toBeVisible()
})

test('an image of one’s own is added to a draft, refused with a reason where it is none, and leaves in the patch', async ({
  page,
}) => {
  await openLamp(page)
  await page.keyboard.press('e')
  await pane(page).getByRole('button', { name: 'Choose' }).first().click()
  const chooser = page.getByRole('dialog', { name: 'Choose a picture' })
  const added = chooser.getByLabel('Add an image of your own')
  await added.setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no image') })
  await expect(chooser.getByRole('alert')).toHaveText('notes.png is not an image. JPEG, PNG, WebP and GIF are taken.')
  await expectAccessible(page)
  const mine = await sharp({ create: { width: 1200, height: 630, channels: 3, background: '#c03' } })
    .png()
    .toBuffer()
  await added.setInputFiles({ name: 'My own.png', mimeType: 'image/png', buffer: mine })
  await expect(pane(page)).toContainText('my-own.png')
  await expect(pane(page)).toContainText('1200 × 630')
  await expect(page.getByRole('article', { name: 'Wide feed' }).locator('image')).toHaveAttribute('href', /^blob:/)
  await page.getByRole('link', { name: 'Drafts' }).click()
  await page.getByRole('tab', { name: 'Take away' }).click()
  await page.getByLabel('Built folder to patch').setInputFiles(demoFolder)
  const built = page.getByRole('region', { name: 'The built folder' })
  await expect(built.getByText(/would change/)).toBeVisible()
  const download = page.waitForEvent('download')
  await built.getByRole('button', { name: /^Save a zip/ }).click()
  const zip = unzipSync(new Uint8Array(readFileSync(await (await download).path())))
  const path = Object.keys(zip).find((name) => name.endsWith('my-own.png'))!
  expect(Buffer.from(zip[path]!).equals(mine)).toBe(true)
  const html = new TextDecoder().decode(Object.entries(zip).find(([name]) => name.includes('rewire-a-lamp'))![1])
  expect(html).toContain(`content="https://brasswick.example/${path}"`)
})

test('the Wall is seen with all drafts, and the build stays what it is', async ({ page }) => {
  await openLamp(page)
  await page.keyboard.press('e')
  await pane(page).getByLabel('Title', { exact: true }).fill('Drafted for the lamp')
  await expect(page.getByRole('article', { name: 'Wide feed' }).getByText('Drafted for the lamp')).toBeVisible()
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByRole('figure', { name: 'with the draft' })).toContainText('Drafted for the lamp')
  await page.getByRole('button', { name: 'Wall with all drafts' }).click()
  await expect(page.getByText('With all drafts, not built: 1 page.')).toBeVisible()
  const lamp = await lampOnWall(page)
  await expect(lamp).toContainText('Drafted for the lamp')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Back to what is built' }).click()
  await expect(lamp).toContainText('Rewire a table lamp')
  await expect(lamp).not.toContainText('Drafted for the lamp')
})
