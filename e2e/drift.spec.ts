import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, type Page, test } from '@playwright/test'
import sharp from 'sharp'
import { DEMO, expectAccessible, openWall } from './app'
import { EDITED_DEMO_PORT } from './ports'

const root = fileURLToPath(new URL('..', import.meta.url))
const EDITED = `http://127.0.0.1:${EDITED_DEMO_PORT}/`
const areas = (page: Page) => page.getByRole('navigation', { name: 'Areas' })

/** Gathers the demo, says that it went live on a day, gathers it as edited, and opens Drift. */
async function openDrift(page: Page, liveAt = '2026-11-20T09:30'): Promise<void> {
  await openWall(page)
  await areas(page).getByRole('link', { name: 'Drift' }).click()
  await expect(page.getByText('This is the only run of brasswick.example')).toBeVisible()
  await page.getByRole('button', { name: 'This run went live' }).click()
  await page.getByRole('textbox', { name: 'Went live' }).fill(liveAt)
  await page.getByRole('button', { name: 'It is live' }).click()
  await expect(page.getByRole('button', { name: /^Live since/ })).toBeVisible()
  await areas(page).getByRole('link', { name: 'Gather' }).click()
  await page.getByRole('button', { name: 'gather it again, edited' }).click()
  await expect(page.getByText('Gathering brasswick.example')).toBeHidden()
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  await areas(page).getByRole('link', { name: 'Drift' }).click()
  await expect(page.getByRole('heading', { name: '5 pages with other cards' })).toBeVisible()
}

const list = (page: Page) => page.getByRole('region', { name: 'What changed' })

test.describe('two runs', () => {
  test('what changed page by page, with both cards, the tags, and what came and went', async ({ page }) => {
    await openDrift(page)
    await expect(list(page).getByRole('listitem')).toHaveCount(8)
    await expect(page.getByText('11 findings went, none came.')).toBeVisible()
    await page.keyboard.press('j')
    const lamp = page.getByRole('region', { name: '/guides/rewire-a-lamp in both runs' })
    await expect(lamp.getByText('On Wide feed, outlined: description.')).toBeVisible()
    const now = lamp.getByRole('article', { name: 'Now' })
    await expect(now.getByRole('button', { name: /^Description.*changed$/ })).toBeVisible()
    await expect(now.locator('svg')).toContainText('New flex, a plug and a switch')
    await expect(now.getByRole('button', { name: /^Title.*changed$/ })).toHaveCount(0)
    await expect(lamp.getByRole('row', { name: /^og:description empty New flex/ })).toBeVisible()
    await expect(lamp.getByRole('region', { name: 'Findings that came and went' })).toContainText('tag-repeated')
    await page.keyboard.press('2')
    await expect(lamp.getByText('Feed reply shows what it did.')).toBeVisible()
    await expectAccessible(page)
    await list(page)
      .getByRole('button', { name: /lamp-clinic/ })
      .click()
    await page.keyboard.press('1')
    await expect(page.getByText('The picture has the address it had, and another content')).toBeVisible()
    await list(page).getByRole('button', { name: 'moved 1', exact: true }).click()
    await expect(list(page).getByRole('listitem')).toHaveCount(1)
    await expect(list(page)).toContainText('moved to /guides/patch-a-tent-or-tarp')
    await page.reload()
    await expect(page.getByRole('heading', { name: '5 pages with other cards' })).toBeVisible()
  })

  test('the app saves what the command says of the same two builds', async ({ page }) => {
    await openDrift(page)
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save what changed' }).click()
    await page.getByRole('menuitem', { name: 'JSON' }).click()
    const ofApp = JSON.parse(readFileSync(await (await download).path(), 'utf8'))
    const here = mkdtempSync(join(tmpdir(), 'drift-'))
    const command = (...args: string[]) =>
      spawnSync('npm', ['run', '--silent', args[0]!, '--prefix', root, '--', ...args.slice(1)], {
        cwd: here,
        encoding: 'utf8',
        env: { ...process.env, INIT_CWD: here },
        maxBuffer: 64_000_000,
      })
    const sides = [DEMO, EDITED].map((address, index) => {
      const file = join(here, `${index}.json`)
      command('check', address, '--site', 'https://brasswick.example/', '--format', 'json', '--out', file)
      return file
    })
    const compared = command('compare', ...sides, '--format', 'json')
    expect(compared.status).toBe(1)
    const ofCommand = JSON.parse(compared.stdout)
    const byUrl = (drift: typeof ofCommand) =>
      Object.fromEntries(drift.changed.map((one: { url: string }) => [one.url, one]))
    expect(byUrl(ofApp)).toEqual(byUrl(ofCommand))
    for (const part of ['added', 'removed', 'moved'] as const) expect(ofApp[part]).toEqual(ofCommand[part])
    const sorted = (one: unknown[]) => one.map((each) => JSON.stringify(each)).sort()
    expect(sorted(ofApp.findings.went)).toEqual(sorted(ofCommand.findings.went))
    expect(Object.keys(ofApp.refresh)).toEqual(Object.keys(ofCommand.refresh))
    expect(sorted(ofApp.refresh['wide-feed'])).toEqual(sorted(ofCommand.refresh['wide-feed']))
  })

  test('cards that changed leave as one picture, with both sides of each', async ({ page }) => {
    await openDrift(page)
    const saved = async (form: string) => {
      const download = page.waitForEvent('download')
      await page.getByRole('button', { name: 'Save what changed' }).click()
      await page.getByRole('menuitem', { name: `Cards of Wide feed as ${form}` }).click()
      return (await download).path()
    }
    const svg = readFileSync(await saved('SVG'), 'utf8')
    // Four pages, two cards each; their pictures stand inside, the repainted one in both versions.
    expect(svg.match(/<image /g)).toHaveLength(8)
    expect(new Set(svg.match(/href="data:image[^"]+"/g)).size).toBe(5)
    expect(svg).toContain('>Winter hours: open until nine on Thursdays</text>')
    const { width, height, format } = await sharp(await saved('PNG')).metadata()
    const sides = /width="([\d.]+)" height="([\d.]+)"/.exec(svg)!
    expect([format, width, height]).toEqual(['png', 2 * Number(sides[1]), 2 * Number(sides[2])])
  })

  test('the Wall can be narrowed to what changed since the launch', async ({ page }) => {
    await openDrift(page)
    await areas(page).getByRole('link', { name: 'Wall' }).click()
    await page.getByRole('button', { name: 'Changed since the launch' }).click()
    // Four with another card, one that moved here, one that is new.
    await expect(page.getByRole('button', { name: 'Changed since the launch 6' })).toBeVisible()
    await expect(page.getByRole('region', { name: 'Cards', exact: true }).getByRole('button')).toHaveCount(6)
    await page.keyboard.press('0')
    await expect(page.getByRole('button', { name: 'Changed since the launch 3' })).toBeVisible()
  })
})

const refresh = (page: Page, place: string) => page.getByRole('region', { name: `Refresh list of ${place}` })

test.describe('held copies', () => {
  test('the refresh list is worked through with keys, and is kept', async ({ page, context }) => {
    await openDrift(page, soon(-5))
    await page.getByRole('tab', { name: 'Held copies' }).click()
    const feed = refresh(page, 'Wide feed')
    await expect(feed.getByRole('heading', { name: '6 copies out of date' })).toBeVisible()
    await expect(feed.getByRole('listitem').first()).toContainText('stays until asked for')
    // No place is asked without an address to ask at: nothing is ticked off.
    await page.keyboard.press('o')
    await expect(page.getByText('Where Wide feed is asked again is not known here')).toBeVisible()
    await expect(feed.getByRole('heading', { name: '6 copies out of date' })).toBeVisible()
    // What was ticked off last is taken back, though the next line is chosen by then.
    await page.keyboard.press('t')
    await expect(feed.getByRole('heading', { name: '5 copies out of date' })).toBeVisible()
    await page.keyboard.press('u')
    await expect(feed.getByRole('heading', { name: '6 copies out of date' })).toBeVisible()
    await expect(feed.getByRole('listitem').first()).toContainText('stays until asked for')
    await page.getByLabel('Its own address for asking again').fill('not-an-address')
    await expect(page.getByText('It must start with https:// or http://')).toBeVisible()
    await page.getByLabel('Its own address for asking again').fill(`${DEMO}?again={address}`)
    await expectAccessible(page)
    await feed.getByRole('listitem').first().getByRole('button').click()
    const opened = context.waitForEvent('page')
    await page.keyboard.press('o')
    const asked = await opened
    expect(new URL(asked.url()).searchParams.get('again')).toMatch(/^https:\/\/brasswick\.example\//)
    expect(await asked.evaluate(() => window.opener)).toBeNull()
    await asked.close()
    await expect(feed.getByRole('heading', { name: '5 copies out of date' })).toBeVisible()
    await page.keyboard.press('n')
    await expect(feed.getByRole('heading', { name: '5 copies out of date, 1 of them asked for' })).toBeVisible()
    await page.reload()
    await expect(feed.getByRole('heading', { name: '5 copies out of date, 1 of them asked for' })).toBeVisible()
    await expect(feed.getByRole('listitem').filter({ hasText: 'asked and renewed' })).toHaveCount(1)
    await page.keyboard.press('u')
    await expect(feed.getByRole('heading', { name: '5 copies out of date', exact: true })).toBeVisible()
    await page.keyboard.press('u')
    await expect(feed.getByRole('heading', { name: '6 copies out of date', exact: true })).toBeVisible()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save the list of all places as CSV' }).click()
    const csv = readFileSync(await (await download).path(), 'utf8')
    expect(csv).toContain('Wide feed,https://brasswick.example/workshops/lamp-clinic')
    expect(csv).toContain('picture changed under the same address')
  })

  test('while nothing is said to be live, the runs are offered; what is said can be taken back', async ({ page }) => {
    await openDrift(page, soon(-5))
    await page.getByRole('tab', { name: 'Held copies' }).click()
    await expect(refresh(page, 'Wide feed').getByRole('heading', { name: '6 copies out of date' })).toBeVisible()
    await page.getByRole('tab', { name: 'Two runs' }).click()
    await page.getByRole('button', { name: 'Open the page' }).waitFor()
    await page.goto(page.url().replace(/run=[^&]+/, `run=${await page.getByLabel('Earlier run').inputValue()}`))
    await page.getByRole('button', { name: /^Live since/ }).click()
    await page.getByRole('button', { name: 'It is not' }).click()
    await page.getByRole('tab', { name: 'Held copies' }).click()
    await expect(
      refresh(page, 'Wide feed').getByRole('heading', { name: 'Which copies are out of date is not known yet' }),
    ).toBeVisible()
    const offered = refresh(page, 'Wide feed').getByRole('listitem')
    await expect(offered).toHaveCount(2)
    await expect(offered.filter({ hasText: 'open here' })).toHaveCount(1)
    await expectAccessible(page)
    await offered.filter({ hasText: 'open here' }).getByRole('button', { name: 'This run went live' }).click()
    await page.getByRole('button', { name: 'It is live' }).click()
    await expect(refresh(page, 'Wide feed').getByRole('heading', { name: 'No copy is out of date' })).toBeVisible()
  })

  test('copies lapse; single links can be marked as shared, by any variant of their address', async ({ page }) => {
    await openDrift(page, soon(-5))
    await page.getByRole('tab', { name: 'Held copies' }).click()
    await expect(refresh(page, 'Wide feed')).toBeVisible()
    await page.keyboard.press('6')
    const chat = refresh(page, 'Team chat')
    await expect(chat.getByRole('heading', { name: '1 copy out of date' })).toBeVisible()
    await expect(chat.getByText(/more would be out of date, and are too old by now/)).toBeVisible()
    await page.getByRole('radio', { name: 'What was marked' }).click()
    await expect(chat.getByText('holds no copy of this site')).toBeVisible()
    await page.getByLabel('Address or path, as it was posted').fill('/nowhere')
    await expect(page.getByText('No page of this site is known under that address.')).toBeVisible()
    await page.getByLabel('Address or path, as it was posted').fill('/guides/rewire-a-lamp?from=letter')
    await page.getByRole('button', { name: 'Mark', exact: true }).click()
    await expect(chat.getByRole('listitem')).toContainText('https://brasswick.example/guides/rewire-a-lamp?from=letter')
    await page.getByRole('button', { name: /^Take back that/ }).click()
    await expect(chat.getByRole('listitem')).toHaveCount(0)
  })
})

test('the share box shows what a place with a copy does with an edit', async ({ page }) => {
  await openDrift(page)
  await list(page)
    .getByRole('button', { name: /winter-hours/ })
    .click()
  await page.getByRole('tab', { name: 'Share box' }).click()
  await expect(page.getByLabel('Link')).toHaveValue('/news/winter-hours')
  const posts = page.getByRole('region', { name: 'Posts on Wide feed' })
  await page.getByRole('button', { name: 'Post the link' }).click()
  await page.getByRole('button', { name: 'The edit goes live' }).click()
  await page.getByRole('button', { name: 'A day passes' }).click()
  await page.getByRole('button', { name: 'Post the link' }).click()
  await expect(posts.getByRole('listitem')).toHaveCount(2)
  await expect(posts.getByText('Winter hours from December')).toHaveCount(2)
  await expect(page.getByText('the page is not read, and the edit is not seen')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Ask the place again' }).click()
  await expect(posts.getByText('Winter hours: open until nine on Thursdays')).toHaveCount(2)
  await page.getByLabel('Place').selectOption('team-chat')
  await expect(page.getByText('Nothing is posted yet.')).toBeVisible()
})

/** A day and time so many days from now, as a field for it takes it. */
function soon(days: number): string {
  const at = new Date(Date.now() + days * 86_400_000)
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
