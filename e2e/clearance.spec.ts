import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, type Page, test } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { demoFolder } from '../demo/server.mjs'
import { filesIn } from '../src/cli/testing/files-in'
import { SSH_KEY, SSH_LINE } from '../src/core/testing/keys'
import { expectAccessible } from './app'

const root = fileURLToPath(new URL('..', import.meta.url))

async function openClearance(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Choose a folder').setInputFiles(demoFolder)
  await expect(page.getByText('brasswick.example is gathered.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.getByRole('link', { name: 'Clearance' }).click()
  await expect(page.getByRole('heading', { name: 'Not clear: 29 errors in the way' })).toBeVisible()
}

const openPane = (page: Page, name: string) => page.getByRole('tab', { name }).click()

async function saved(page: Page, click: () => Promise<void>): Promise<string> {
  const download = page.waitForEvent('download')
  await click()
  return (await download).path()
}

test('requirements change the findings at once; the command gives the same for the same file', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'What it must have')
  await page.getByRole('button', { name: 'What the pages of /people/* are: what they say they are' }).click()
  await page.getByLabel('never shared').click()
  const effect = page.getByRole('region', { name: 'What the change does' })
  await expect(effect).toContainText('With this the site is not clear: 14 errors (now 29)')
  await expect(effect).toContainText('Goes: ')
  // Nothing is kept yet.
  await expect(page.getByRole('heading', { name: 'Not clear: 29 errors in the way' })).toBeVisible()
  await page.getByRole('button', { name: 'What each page of /guides/* must have: what it has' }).click()
  await page.getByLabel('an author').click()
  await page.keyboard.press('Escape')
  await expect(effect).toContainText('Comes: ')
  await expectAccessible(page)
  await effect.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('(before 29)')).toBeVisible()
  await page.getByLabel('Finding').selectOption('image-heavy')
  await page.getByLabel('Reason').fill('Kept for print')
  await page.getByLabel('Name', { exact: true }).fill('Ada')
  await page.getByRole('button', { name: 'Waive' }).click()
  await expect(page.getByText('“Kept for print”, Ada')).toBeVisible()
  await expectAccessible(page)
  await expect(page.getByText('Judging again …')).toBeHidden()
  const rules = await saved(page, () => page.getByRole('button', { name: 'Save nimble-parrot.json' }).click())
  await openPane(page, 'Papers')
  const exported = await saved(page, () => page.getByRole('button', { name: 'Run document (JSON)' }).click())
  const ofApp = JSON.parse(readFileSync(exported, 'utf8'))
  const here = mkdtempSync(join(tmpdir(), 'clear-'))
  const command = spawnSync(
    'npm',
    ['run', '--silent', 'check', '--prefix', root, '--', demoFolder, '--rules', rules, '--format', 'json'],
    {
      cwd: here,
      encoding: 'utf8',
      env: { ...process.env, INIT_CWD: here },
      maxBuffer: 64_000_000,
    },
  )
  const ofCommand = JSON.parse(command.stdout)
  expect(ofApp.summary).toEqual(ofCommand.summary)
  const findings = (run: { pages: { url: string; findings: { rule: string }[]; waived?: { rule: string }[] }[] }) =>
    run.pages.map(({ url, findings: own, waived = [] }) => [
      url,
      own.map(({ rule }) => rule),
      waived.map(({ rule }) => rule),
    ])
  expect(findings(ofApp)).toEqual(findings(ofCommand))
  expect(ofApp.causes.map(({ change }: { change: string }) => change)).toEqual(
    ofCommand.causes.map(({ change }: { change: string }) => change),
  )
})

test('the first screen shows the cards that stand for the site, what is in the way, and who has taken what on', async ({
  page,
}) => {
  await openClearance(page)
  const cards = page.getByRole('region', { name: 'The site’s cards' })
  const people = cards.getByRole('region', { name: '/people/*' })
  await expect(people.getByRole('listitem')).toHaveCount(3)
  await expect(people).toContainText('the worst')
  await expect(page.getByRole('region', { name: 'In the way' })).toContainText('The template of /people/* leaves out')
  await expect(page.getByRole('region', { name: 'Taken on' })).toContainText('Nothing is waived.')
  await expectAccessible(page)
  await page.getByRole('radio', { name: 'Microblog' }).click()
  await people.getByRole('button').first().click()
  await expect(page).toHaveURL(/\/page\?.*surface=microblog/)
  await page.goBack()
  await expect(people.getByRole('listitem')).toHaveCount(3)
  // On paper nothing scrolls: what the screen has no room for flows on, and what is pressed is left out.
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('tab', { name: 'Papers' })).toBeHidden()
  await expect(page.getByLabel('Your name, to sign off')).toBeHidden()
  const sheets = async () => (await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type \/Page\b/g)?.length
  await expect.poll(sheets).toBeGreaterThan(1)
  await page.emulateMedia({ media: null })
  // On a phone nothing is wider than the screen.
  await page.setViewportSize({ width: 390, height: 800 })
  await expect(cards).toBeVisible()
  const widest = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(widest).toBeLessThanOrEqual(390)
})

test('a file with a fault is refused with the path, and nothing changes', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'What it must have')
  await page.getByLabel('Requirements file to open').setInputFiles({
    name: 'nimble-parrot.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{ "sections": { "/guides/*": { "requires": ["autor"] } } }'),
  })
  await expect(page.getByRole('alert').filter({ hasText: 'sections' })).toContainText('Is “author” meant?')
  await expect(page.getByRole('heading', { name: 'Not clear: 29 errors in the way' })).toBeVisible()
})

test('every form is saved, and a sign-off stays', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'Papers')
  for (const name of ['Report (HTML)', 'Markdown', 'JUnit XML', 'SARIF 2.1.0', 'CSV', 'Text']) {
    const path = await saved(page, () => page.getByRole('button', { name, exact: true }).click())
    expect(readFileSync(path, 'utf8').length, name).toBeGreaterThan(1000)
  }
  await page.getByLabel('Your name, to sign off').fill('Ada')
  // With errors in the way a yes says why.
  await expect(page.getByRole('button', { name: 'Sign off' })).toBeDisabled()
  await page.getByLabel('Why, with 29 errors').fill('The rest follows on Monday')
  const key = { name: 'ada', mimeType: 'text/plain', buffer: Buffer.from(SSH_KEY) }
  await page.getByLabel('A key to sign with').setInputFiles(key)
  await page.getByRole('button', { name: 'Sign off' }).click()
  // The database has it once it is said.
  await expect(page.getByText(/Signed off by Ada/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/Signed off by Ada, .*with 29 errors: “The rest follows on Monday”/)).toBeVisible()
  await expect(
    page.getByText('Signed with a key, checked against no signers file: the name Ada is not verified.'),
  ).toBeVisible()
  // Held against a file of who counts, in the browser too.
  const signersFile = (line: string) => ({ name: 'signers.txt', mimeType: 'text/plain', buffer: Buffer.from(line) })
  const chosen = page.getByLabel('A signers file: whose signatures count')
  await chosen.setInputFiles(signersFile(`Bob ${SSH_LINE}\n`))
  await expect(
    page.getByText('It is not signed by Ada with a key that the signers file has for that name.'),
  ).toBeVisible()
  await chosen.setInputFiles(signersFile(`Ada ${SSH_LINE}\n`))
  await expect(page.getByText('Signed with the key of Ada.')).toBeVisible()
  await expectAccessible(page)
  const file = await saved(page, () => page.getByRole('button', { name: 'Save it' }).click())
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    format: 'nimble-parrot-sign-off',
    by: 'Ada',
    errors: 29,
    signature: { key: SSH_LINE.split(' ').slice(0, 2).join(' ') },
  })
  // What the browser signed, the command finds right.
  const signers = join(mkdtempSync(join(tmpdir(), 'signers-')), 'signers.txt')
  writeFileSync(signers, `Ada ${SSH_LINE}\n`)
  const held = ['--signed-off', file, '--signers', signers, '--fail-on', 'never']
  const { stdout } = spawnSync('node', ['scripts/cli.mjs', 'check', 'demo/site', ...held], {
    cwd: root,
    encoding: 'utf8',
  })
  expect(stdout).toContain('Signed with the key of Ada.')
  await openPane(page, 'What it must have')
  // An edited requirement is another content, and the sign-off says so itself.
  await page.getByLabel('Requirements file to open').setInputFiles({
    name: 'nimble-parrot.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{ "levels": { "title-cut": "off" } }'),
  })
  const desk = page.getByRole('region', { name: 'Sign-off' })
  await expect(desk).toContainText('The sign-off is void: This is not what Ada signed')
  await expect(desk).toContainText('The requirements are not those that were signed.')
})

test('a section of one’s own takes its pages together, on the Wall as well, and is let go', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'What it must have')
  const table = page.getByRole('region', { name: 'Requirements of each section' })
  const glob = page.getByLabel('Take pages together by their path')
  await glob.fill('guides/*')
  await page.getByRole('button', { name: 'Add section' }).click()
  await expect(table.getByRole('alert')).toContainText('begins with /')
  await glob.fill('/guides/re*')
  await page.getByRole('button', { name: 'Add section' }).click()
  await expect(table.getByText(/^\/guides\/re\* 3 pages/)).toBeVisible()
  await expect(table.getByText(/^\/guides\/\* 11 pages/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Wall' }).click()
  await expect(page.getByRole('button', { name: /^\/guides\/re\*/ })).toBeVisible()
  await page.goBack()
  await openPane(page, 'What it must have')
  await table.getByRole('button', { name: '/guides/re*: no longer a section of the requirements' }).click()
  await expect(table.getByText(/^\/guides\/\* 14 pages/)).toBeVisible()
})

test('a place of one’s own is opened, has its cards on the Wall and on a Page, and is let go', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'What it must have')
  const site = page.getByRole('region', { name: 'Requirements of the whole site' })
  const pattern = await saved(page, async () => {
    await site.getByLabel('Save one of ours as a pattern').selectOption('team-chat')
  })
  const surface = JSON.parse(readFileSync(pattern, 'utf8'))
  const open = (value: object) =>
    site
      .getByLabel('Places to open')
      .setInputFiles({ name: 'place.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(value)) })
  await open({ ...surface, id: 'hall-intranet', layoutBy: 'pictures' })
  await expect(site.getByRole('alert')).toContainText('Is “picture” meant?')
  const boxes = structuredClone(surface.boxes)
  for (const box of Object.values(boxes) as { title: { widthPx: number; lines: number } }[])
    Object.assign(box.title, { widthPx: 120, lines: 1 })
  await open({ ...surface, id: 'hall-intranet', name: 'Hall intranet', boxes })
  await expect(site.getByLabel('Hall intranet', { exact: true })).toBeChecked()
  await expect(page.getByText('Judging again …')).toBeHidden()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Wall' }).click()
  await page.getByRole('radio', { name: 'Hall intranet' }).click()
  await expect(page.getByRole('region', { name: 'Cards on Hall intranet' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('radio', { name: 'Hall intranet' })).toBeChecked()
  const card = page.getByRole('button', { name: /^\/about:/ })
  await expect(card).toBeVisible()
  await card.dblclick()
  await expect(page.getByRole('article', { name: 'Hall intranet' })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Team chat' })).toBeVisible()
  await page.getByRole('link', { name: 'Clearance' }).click()
  await openPane(page, 'What it must have')
  await site.getByRole('button', { name: 'Hall intranet: let go' }).click()
  await expect(site.getByLabel('Hall intranet', { exact: true })).toHaveCount(0)
  await page.getByRole('link', { name: 'Wall' }).click()
  await expect(page.getByRole('region', { name: 'Cards on Wide feed' })).toBeVisible()
  await expect(page.getByRole('radio', { name: 'Wide feed' })).toBeChecked()
})

test('questions are answered with a key each; a no is in the way until it is answered otherwise', async ({ page }) => {
  await openClearance(page)
  await openPane(page, 'Questions')
  const question = page.getByRole('region', { name: 'Question' })
  await expect(question.getByRole('heading', { name: 'Is this the right picture?' })).toBeVisible()
  await expect(question.getByRole('button', { name: /^Yes/ })).toBeDisabled()
  await question.getByLabel('Answered by').fill('Ada')
  await question.getByLabel('Answered by').blur()
  await page.keyboard.press('y')
  await expect(question.getByRole('heading', { name: 'Does this title say what the page is?' })).toBeVisible()
  await page.keyboard.press('n')
  await question.getByLabel('What is wrong').fill('It names nobody')
  await page.keyboard.press('Enter')
  // The next card is there at once, and stays while the run is judged again.
  const next = (await question.textContent())!
  await expect(page.getByRole('heading', { name: 'Not clear: 30 errors in the way' })).toBeVisible()
  expect(await question.textContent()).toBe(next)
  const answered = page.getByRole('region', { name: 'Answered' })
  await expect(answered).toContainText('no to the title of /people/ada-quillfeather')
  await expect(answered).toContainText('“It names nobody”')
  await expectAccessible(page)
  await page.keyboard.press('s')
  await answered
    .getByRole('listitem')
    .filter({ hasText: 'It names nobody' })
    .getByRole('button', { name: 'Take back' })
    .click()
  await expect(page.getByRole('heading', { name: 'Not clear: 29 errors in the way' })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 800 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

/** The demo as a zip whose addresses are another site's. */
function demoUnder(site: string, edit: (path: string, html: string) => string = (_path, html) => html): Buffer {
  const files = Object.fromEntries(
    [...filesIn(demoFolder)].map(([path, bytes]) => {
      if (!/\.(?:html|xml|txt)$/.test(path)) return [path, bytes]
      const text = Buffer.from(bytes).toString('utf8').replaceAll('https://brasswick.example', site)
      return [path, strToU8(edit(path, text))]
    }),
  )
  return Buffer.from(zipSync(files, { level: 0 }))
}

test('staging is signed, and production held against it: the same, or the difference as cards', async ({ page }) => {
  const gather = async (site: string, zip: Buffer) => {
    await page.goto('/')
    // A preview host is no production by itself: it has to be said.
    await page.getByRole('region', { name: 'A folder or a zip' }).getByLabel('Production address').fill(site)
    await page.getByLabel('Choose a zip').setInputFiles({ name: 'build.zip', mimeType: 'application/zip', buffer: zip })
    await expect(page.getByText(`${new URL(site).host} is gathered.`)).toBeVisible({ timeout: 60_000 })
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await page.getByRole('link', { name: 'Clearance' }).click()
  }
  const [staging, live] = ['https://staging.brasswick.example', 'https://brasswick.example']
  await gather(staging, demoUnder(staging))
  await page.getByLabel(/^Why, with/).fill('It is staging')
  await page.getByLabel('Your name, to sign off').fill('Ada')
  await page.getByRole('button', { name: 'Sign off' }).click()
  await expect(page.getByText(/Signed off by Ada/)).toBeVisible()
  const desk = page.getByRole('region', { name: 'Sign-off' })
  await gather(live, demoUnder(live))
  await desk.getByLabel('Hold this against what was signed of').selectOption({ index: 1 })
  await expect(desk).toContainText(/What Ada approved on .* is what is here, address for address\./)
  await gather(
    live,
    demoUnder(live, (path, html) =>
      path === 'about.html' ? html.replace(/(og:description" content=")[^"]*/, '$1Something else') : html,
    ),
  )
  await desk.getByLabel('Hold this against what was signed of').selectOption({ index: 1 })
  await expect(desk).toContainText('Another card than was signed: /about.')
  await desk.getByRole('button', { name: 'The difference as cards' }).click()
  await page.getByRole('menuitem', { name: 'Show it, to drag' }).click()
  const picture = page.getByRole('img', { name: /changed-since-sign-off/ })
  await expect(picture).toBeVisible()
  expect(await picture.evaluate((image: HTMLImageElement) => image.naturalHeight)).toBeGreaterThan(600)
})
