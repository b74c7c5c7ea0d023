import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { expect, test } from '@playwright/test'
import { DEMO, expectAccessible, gatherDemo, lampOnWall } from './app'

test('a project goes into a file and comes back into an empty browser, pictures and all', async ({ page, browser }) => {
  await gatherDemo(page)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await (await lampOnWall(page)).dblclick()
  await expect(page.getByRole('heading', { name: '/guides/rewire-a-lamp' })).toBeVisible()
  await page.keyboard.press('e')
  await page.getByRole('tabpanel').getByLabel('Title', { exact: true }).fill('Drafted here')
  await expect(page.getByRole('article', { name: 'Wide feed' }).getByText('Drafted here')).toBeVisible()
  await page.goto('/')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the project of brasswick.example' }).click()
  const file = await (await download).path()
  await expect(page.getByText('Saved.')).toBeVisible()

  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const other = await context.newPage()
  await other.goto('/')
  await other.getByLabel('Open a project archive').setInputFiles(file)
  await expect(other.getByText('brasswick.example: 1 run and 1 draft taken over.')).toBeVisible()
  await expectAccessible(other)
  await other.getByRole('button', { name: /^Open the run of/ }).click()
  const card = await lampOnWall(other)
  await expect(card.locator('image').first()).toBeVisible()
  await card.dblclick()
  await expect(other.getByRole('article', { name: 'Wide feed' }).getByText('Drafted here')).toBeVisible()

  // What the archive names is asked only after a yes that has seen it.
  const asked: string[] = []
  other.on('request', (request) => {
    if (request.url().includes('/api/')) asked.push(request.url())
  })
  const dialog = other.getByRole('alertdialog', { name: 'Ask an address from the archive?' })
  await other.getByRole('button', { name: /^Look again/ }).click()
  await expect(dialog).toContainText(new URL(DEMO).origin)
  await expect(dialog).toContainText('/guides/rewire-a-lamp')
  await expectAccessible(other)
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  await other.getByRole('button', { name: 'Run again' }).click()
  await expect(dialog).toBeVisible()
  await other.keyboard.press('Escape')
  await expect(dialog).toBeHidden()
  expect(asked).toEqual([])
  await other.getByRole('button', { name: /^Look again/ }).click()
  await dialog.getByRole('button', { name: 'Ask it' }).click()
  await expect(other.getByText(/^Looked again at/)).toBeVisible()
  expect(asked.length).toBeGreaterThan(0)

  await other.goto('/')
  await other.getByLabel('Open a project archive').setInputFiles(file)
  const merging = other.getByRole('dialog', { name: 'Put together: brasswick.example' })
  await expect(merging).toContainText('Nothing that you have differs from it')
  await merging.getByRole('button', { name: 'Put together' }).click()
  await expect(other.getByText('0 runs and 0 drafts taken over, 1 run was here already.')).toBeVisible()
  // A draft that went another way here: both texts are seen, and the one that is chosen stays.
  await other
    .getByRole('button', { name: /^Open the run of/ })
    .first()
    .click()
  await (await lampOnWall(other)).dblclick()
  await other.keyboard.press('e')
  await other.getByRole('tabpanel').getByLabel('Title', { exact: true }).fill('Drafted there')
  await expect(other.getByRole('article', { name: 'Wide feed' }).getByText('Drafted there')).toBeVisible()
  await other.goto('/')
  await other.getByLabel('Open a project archive').setInputFiles(file)
  const draft = merging.getByRole('listitem', { name: 'Draft of /guides/rewire-a-lamp' })
  await expect(draft).toContainText('title: Drafted there')
  await expect(draft).toContainText('title: Drafted here')
  await expectAccessible(other)
  await draft.getByRole('radio', { name: 'Take the archive’s' }).click()
  await merging.getByRole('button', { name: 'Put together' }).click()
  await expect(other.getByText('Both have a draft of /guides/rewire-a-lamp: that of the archive stays.')).toBeVisible()
  await other.getByLabel('Open a project archive').setInputFiles({
    name: 'build.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK no zip at all'),
  })
  await expect(other.getByRole('alert').filter({ hasText: 'It is no zip, or it is broken.' })).toBeVisible()
  await context.close()
})

test('a run document is opened as a run, packed or not, and says where it differs', async ({ page, browser }) => {
  await gatherDemo(page)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('link', { name: 'Clearance' }).click()
  const verdict = await page.getByRole('heading', { name: /^Not clear/ }).textContent()
  await page.getByRole('tab', { name: 'Papers' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: /JSON lines/ }).click()
  const text = readFileSync(await (await download).path(), 'utf8')

  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const other = await context.newPage()
  await other.goto('/')
  const file = { name: 'run.jsonl.gz', mimeType: 'application/gzip', buffer: gzipSync(text) }
  await other.getByLabel('Open a project archive or a run document').setInputFiles(file)
  await expect(other.getByText('brasswick.example: a run of 48 pages taken over.')).toBeVisible()
  await expectAccessible(other)
  await other.getByRole('button', { name: 'Open it' }).click()
  await (await lampOnWall(other)).dblclick()
  await expect(other.getByText(/the run was opened from a document, which holds none\./)).toBeVisible()
  await other.getByRole('link', { name: 'Clearance' }).click()
  await expect(other.getByRole('heading', { name: verdict! })).toBeVisible()
  await other.goto('/')
  await other.getByLabel('Open a project archive or a run document').setInputFiles(file)
  await expect(other.getByText('brasswick.example: this run is here already.')).toBeVisible()
  const cut = { name: 'run.jsonl', mimeType: 'application/jsonl', buffer: Buffer.from(text.slice(0, 20_000)) }
  await other.getByLabel('Open a project archive or a run document').setInputFiles(cut)
  await expect(other.getByRole('alert').filter({ hasText: /Line \d+: It is no JSON|breaks off/ })).toBeVisible()
  await context.close()
})
