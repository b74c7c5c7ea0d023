import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { DEMO_PORT, SLOW_DEMO_PORT } from './ports'
import { openStoredDemo } from './stored-demo'

export const DEMO = `http://127.0.0.1:${DEMO_PORT}/`
export const SLOW_DEMO = `http://127.0.0.1:${SLOW_DEMO_PORT}/`

/** Gathers the demo from the first screen and waits until it is done. */
export async function gatherDemo(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'Gather the demo' }).click()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
}

/** The Wall of the demo, which was gathered once for all tests; what a test does to it stays in that test. */
export async function openWall(page: Page): Promise<void> {
  await openStoredDemo(page)
  const card = page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button').first()
  await card.waitFor({ timeout: 40_000 }).catch(async () => {
    // What stands there instead says why.
    throw new Error(
      `There is no Wall at ${page.url()}: ${((await page.locator('main').textContent()) ?? '').slice(0, 600)}`,
    )
  })
}

/** The card of the lamp's guide, brought into sight by its section: only cards in sight are drawn. */
export async function lampOnWall(page: Page): Promise<Locator> {
  await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
  return page.getByRole('button', { name: /^\/guides\/rewire-a-lamp:/ })
}

/** Starts gathering an address that is typed in. */
export async function gatherAddress(page: Page, address: string, site = ''): Promise<void> {
  await page.goto('/')
  const form = page.getByRole('region', { name: 'A running address' })
  await form.getByLabel('Address', { exact: true }).fill(address)
  await form.getByLabel(/^Production address/).fill(site)
  await page.getByRole('button', { name: 'Gather pages' }).click()
}

/** Fails with the rule and the element of every violation. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
  ).toEqual([])
}
