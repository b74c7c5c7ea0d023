import { expect, test } from '@playwright/test'
import { expectAccessible, lampOnWall, openWall } from './app'

test.beforeEach(async ({ page }) => {
  await openWall(page)
})

test('shows every page in its section, and its cards by the picture they really have', async ({ page }) => {
  await expect(page.getByText('48 pages in 8 sections')).toBeVisible()
  const guides = page.getByRole('navigation', { name: 'Sections' }).getByRole('button', { name: '/guides/*' })
  await expect(guides).toContainText('14')
  await guides.click()
  const lamp = page.getByRole('button', { name: /^\/guides\/rewire-a-lamp:/ })
  await expect(lamp.getByText('Rewire a table lamp safely in one evening')).toBeVisible()
  const picture = lamp.locator('image').first()
  await expect(picture).toHaveAttribute('href', /^blob:/)
  const widthOf = async (drawn: Element) => {
    const image = new Image()
    image.src = drawn.getAttribute('href')!
    await image.decode()
    return image.naturalWidth
  }
  expect(await picture.evaluate(widthOf)).toBeGreaterThan(300)
  await expectAccessible(page)
})

test('a card’s ladders say what was taken and what was passed over, and why', async ({ page }) => {
  await (await lampOnWall(page)).click()
  const inspector = page.getByRole('complementary', { name: 'Why the card looks so' })
  const description = inspector.locator('section', { has: page.getByRole('heading', { name: 'Description' }) })
  await expect(description.getByRole('listitem')).toHaveText([
    /^1og:descriptionline \d+ · empty/,
    /^2descriptionabsent/,
    /^3first paragraphline \d+ · takenUnplug it\./,
  ])
  const title = inspector.locator('section', { has: page.getByRole('heading', { name: 'Title' }) })
  await expect(title.getByRole('listitem').nth(1)).toContainText('beaten')
  await expect(inspector.getByText('tag-repeated')).toBeVisible()
})

test('a key changes the surface of the whole wall, and the address holds it', async ({ page }) => {
  await page.keyboard.press('9')
  await expect(page.getByRole('radio', { name: /Search result/ })).toHaveAttribute('aria-checked', 'true')
  await expect(page).toHaveURL(/surface=search/)
  await page.getByLabel('Search pages and their cards').fill('clock-hour')
  await expect(page.getByText('Not listed').first()).toBeVisible()
  await page.reload()
  await expect(page.getByRole('radio', { name: /Search result/ })).toHaveAttribute('aria-checked', 'true')
})

test('what is typed into the search stays as it was typed, however fast', async ({ page }) => {
  const field = page.getByLabel('Search pages and their cards')
  for (const text of ['lorem ipsum', 'clock hour']) {
    await field.fill('')
    await field.pressSequentially(text, { delay: 20 })
    await expect(field).toHaveValue(text)
  }
  await expect(page).toHaveURL(/search=clock/)
  await page.goBack()
  await page.goForward()
  await expect(field).toHaveValue('clock hour')
})

test('symptoms combine, search narrows, and nothing found says so', async ({ page }) => {
  await page.getByRole('button', { name: /^Fell back/ }).click()
  await page.getByRole('button', { name: /^With errors/ }).click()
  await expect(page).toHaveURL(/show=errors,fell-back/)
  const cards = page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button')
  const both = await cards.count()
  expect(both).toBeGreaterThan(0)
  await page.getByLabel('Search pages and their cards').fill('quillfeather')
  await expect(cards).toHaveCount(1)
  await page.getByLabel('Search pages and their cards').fill('nothing like this')
  await expect(page.getByText('No page shows all of these symptoms at once.')).toBeVisible()
  await page.getByRole('button', { name: 'Show everything' }).click()
  await expect(cards.first()).toBeVisible()
})

test('the surfaces are one stop for Tab; arrows move among them, and not over the wall', async ({ page }) => {
  const bar = page.getByRole('radiogroup', { name: 'Surface' })
  await bar.getByRole('radio', { name: 'Wide feed' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(bar.getByRole('radio', { name: 'Feed reply' })).toBeFocused()
  await page.keyboard.press('Space')
  await expect(page).toHaveURL(/surface=feed-reply/)
  await expect(page).not.toHaveURL(/page=/)
  await page.keyboard.press('Tab')
  await expect(bar.getByRole('radio', { checked: false }).first()).not.toBeFocused()
  expect(await bar.evaluate((group) => group.contains(document.activeElement))).toBe(false)
})

test('is worked by keyboard alone: choose, open, and back', async ({ page }) => {
  await page.keyboard.press('l')
  await page.keyboard.press('l')
  const cards = page.getByRole('region', { name: 'Cards', exact: true })
  await expect(cards.getByRole('button', { pressed: true })).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/page\?/)
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(/\/wall\?/)
  // Faster than the page is drawn: both keys in one turn.
  await page.evaluate(() => {
    for (const key of ['Enter', 'Escape'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  })
  await expect(page).toHaveURL(/\/wall\?.*page=/)
  await page.keyboard.press('g')
  await page.keyboard.press('g')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(page).not.toHaveURL(/\/wall/)
})

test('the jump box finds a page by a word of its title', async ({ page }) => {
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Page, area or action' }).fill('chair caning')
  await expect(page.getByRole('option', { name: /chair-caning/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: '/workshops/chair-caning' })).toBeVisible()
})

test('as it stands robots.txt counts, as launched it does not', async ({ page }) => {
  await page.getByLabel('Search pages and their cards').fill('lathe-appeal')
  const card = page.getByRole('button', { name: /^\/news\/lathe-appeal:/ })
  await expect(card).toContainText('robots.txt keeps facebookexternalhit out.')
  await page.getByRole('radio', { name: 'As launched' }).click()
  await expect(page).toHaveURL(/as=launched/)
  await expect(card.locator('image')).toBeVisible()
  await expect(card).not.toContainText('robots.txt')
  await page.reload()
  await expect(card.locator('image')).toBeVisible()
})

test('a second surface stands beside the first, and the inspector says why they differ', async ({ page }) => {
  await page.keyboard.press('Shift+Digit6')
  await expect(page).toHaveURL(/beside=team-chat/)
  const card = await lampOnWall(page)
  await expect(card).toContainText('Team chat')
  await card.click()
  const why = page.getByRole('complementary', { name: 'Why the card looks so' })
  await expect(why).toContainText('Team chat takes none: Team chat doesn’t look at the first paragraph.')
  await expectAccessible(page)
  await page.keyboard.press('Shift+Digit6')
  await expect(page).not.toHaveURL(/beside/)
})

test('an address of a run that this browser lacks says what to do, in every area', async ({ page }) => {
  for (const area of ['wall', 'page', 'causes', 'pictures', 'drafts', 'drift', 'clearance']) {
    await page.goto(`/${area}?run=250101-0000-none&page=/guides/`)
    await expect(page.getByText(/^This browser has no such run\./)).toBeVisible()
  }
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Open a project …' }).click()
  await expect(page.getByText('Open a project or a run …')).toBeVisible()
})
