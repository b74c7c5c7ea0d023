import { expect, test } from '@playwright/test'
import { expectAccessible, openWall } from './app'

test.beforeEach(async ({ page }) => {
  await openWall(page)
  await page.getByRole('link', { name: 'Causes' }).click()
  await expect(page.getByRole('heading', { name: /changes, \d+ of them ready/ })).toBeVisible()
})

test('the first cause is the one that clears most; it opens to tags, evidence and pages', async ({ page }) => {
  const first = page.getByRole('region', { name: 'Causes' }).getByRole('listitem').first()
  await expect(first).toContainText('The template of /people/* leaves out')
  await expect(first).toContainText('15 errors')
  const panel = page.getByRole('tabpanel')
  await expect(panel).toContainText('<meta property="og:title" content="Ada Quillfeather">')
  await expectAccessible(page)
  await page.keyboard.press('j')
  await page.keyboard.press('j')
  await expect(panel).toContainText('has og:image and og:url as http://localhost:3000/')
  await page.reload()
  await expect(panel).toContainText('has og:image and og:url as http://localhost:3000/')
})

test('its pages are selected on the wall, to draft for them', async ({ page }) => {
  await page
    .getByRole('tabpanel')
    .getByRole('button', { name: /^Select on the Wall/ })
    .click()
  await expect(page.getByRole('region', { name: 'Selected pages' })).toContainText('5 pages selected')
})

test('what is tried is seen on the Wall, kept as drafts, and left in one step', async ({ page }) => {
  const tried = page.getByRole('region', { name: 'What is tried' })
  await page.getByRole('button', { name: 'Show the cards after this' }).click()
  await expect(tried).toContainText('Tried, not built: one change. 29 errors → 14')
  await expect(page.getByRole('heading', { name: '14 errors in the way' })).toBeVisible()
  // The cards themselves say what the change writes.
  await page.getByRole('searchbox').fill('ada-quillfeather')
  await expect(page.getByRole('region', { name: 'Cards', exact: true })).toContainText(
    'Ada opened the hall nine years ago',
  )
  await expectAccessible(page)
  await tried.getByRole('button', { name: 'Keep as drafts' }).click()
  await expect(tried).toContainText('Drafted for 5 pages.')
  // Nothing that is only tried is in the build.
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByRole('heading', { name: '5 drafts not wholly in the build' })).toBeVisible()
  await expect(page.getByText('0 in the build.')).toBeVisible()
  await page.getByRole('link', { name: 'Clearance' }).click()
  await expect(page.getByText('What is only tried can’t be cleared.')).toBeVisible()
  await page.getByRole('link', { name: 'Causes' }).click()
  await expect(page.getByRole('tabpanel')).toContainText('Go back to try others.')
  await tried.getByRole('button', { name: 'Back to what is built' }).click()
  await expect(tried).toHaveCount(0)
  await expect(page.getByRole('heading', { name: /\d+ changes, \d+ of them ready/ })).toBeVisible()
  await page.getByRole('link', { name: 'Drafts' }).click()
  await expect(page.getByText('5 pages', { exact: false }).first()).toBeVisible()
})

test('all changes together leave what only a person can do', async ({ page }) => {
  await page.getByRole('button', { name: /^After all/ }).click()
  const tried = page.getByRole('region', { name: 'What is tried' })
  await expect(tried).toContainText('29 errors → 3')
  await expect(tried).toContainText(
    'Of what is cleared, 3 errors, 6 warnings, 4 notes wait until the placeholders are replaced.',
  )
  await expect(page.getByRole('button', { name: /^\/news\/new-page-3: .*with a placeholder$/ })).toBeVisible()
  await page.getByRole('link', { name: 'Causes' }).click()
  await expect(page.getByRole('heading', { name: '4 changes, 0 of them ready' })).toBeVisible()
})

test('the heat map says in words what each cell holds', async ({ page }) => {
  await page.getByRole('tab', { name: 'Sections and fields' }).click()
  const row = page.getByRole('row').filter({ hasText: '/people/*' })
  await expect(row.getByRole('cell').first()).toHaveAttribute('title', '1 its own, 5 falls back')
  await expectAccessible(page)
  await row.getByRole('button').click()
  await expect(page).toHaveURL(/\/wall\?.*section=\/people\/\*/)
})

test('every chart has its table, and a picture leads to its pages', async ({ page }) => {
  await page.getByRole('tab', { name: 'Lengths' }).click()
  await expect(page.getByRole('figure')).toHaveCount(2)
  await page.getByRole('button', { name: 'As a table' }).first().click()
  await expect(page.getByRole('row').first()).toBeVisible()
  await page.getByRole('tab', { name: 'Pictures' }).click()
  await page.getByRole('button', { name: 'As a table' }).first().click()
  await page.getByRole('button', { name: 'a-thousand-repairs.jpg' }).click()
  await expect(page.getByRole('region', { name: 'Pages of the chosen part' })).toContainText(
    '1 page with this picture.',
  )
  await expectAccessible(page)
})
