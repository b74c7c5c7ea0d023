// Takes the pictures in docs/screenshots again, from the demo: node scripts/screenshots.mjs [name …]
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { chromium } from '@playwright/test'
import sharp from 'sharp'
import { demoFolder, editedFolder, listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from './demo.mjs'
import { ensureChromium, root } from './setup.mjs'

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
// Checks that find an error in the demo.
const TAKEN_ON = [
  'address-staging',
  'card-unknown',
  'crawler-blocked',
  'description-missing',
  'image-relative',
  'image-unreachable',
  'og-image-missing',
  'og-title-missing',
  'title-placeholder',
]
const only = process.argv.slice(2)
const out = process.env.SCREENSHOTS ?? join(root, 'docs', 'screenshots')

ensureBuild()
const quick = serveFolder(demoFolder)
const after = serveFolder(demoFolder, { overlay: editedFolder })
const demo = await listen(quick, 4321)
const edited = await listen(after, 4324)
const { app, address } = await startApp({ port: 4320, demo, edited })
const browser = await chromium.launch({ executablePath: ensureChromium(), args: FLAGS })

async function open(options = {}) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })
  return context.newPage()
}

async function gathered(options) {
  const page = await open(options)
  await page.goto(address)
  await page.getByRole('button', { name: 'Gather the demo' }).click()
  await page.getByText('brasswick.example is gathered.').waitFor()
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.waitForTimeout(2500)
  return page
}

/** The demo gathered, said to be live for six days, and gathered again as edited; Drift is open. */
async function drifted() {
  const page = await gathered()
  const areas = page.getByRole('navigation', { name: 'Areas' })
  await areas.getByRole('link', { name: 'Drift' }).click()
  await page.getByRole('button', { name: 'This run went live' }).click()
  const live = new Date(Date.now() - 6 * 86_400_000)
  const local = new Date(live.getTime() - live.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
  await page.getByRole('textbox', { name: 'Went live' }).fill(local)
  await page.getByRole('button', { name: 'It is live' }).click()
  await areas.getByRole('link', { name: 'Gather' }).click()
  await page.getByRole('button', { name: 'Gather something else' }).click()
  await page.getByRole('button', { name: 'gather it again, edited' }).click()
  await page.getByText('brasswick.example is gathered.').waitFor()
  await page.waitForTimeout(2500)
  await areas.getByRole('link', { name: 'Drift' }).click()
  await page.getByRole('heading', { name: /with other cards$/ }).waitFor()
  return page
}

/** Only what is in sight is drawn: the section brings the card there. */
async function lampCard(page) {
  const section = page.getByRole('button', { name: /^\/guides\/\*/ })
  if ((await section.getAttribute('aria-pressed')) !== 'true') await section.click()
  return page.getByRole('button', { name: /^\/guides\/rewire-a-lamp:/ })
}

/** Runs a command of the checkout; findings are no fault of it. */
const run = (...args) => spawnSync('npm', ['run', '--silent', args[0], '--', ...args.slice(1)], { cwd: root })

/** The demo with everything that is in the way taken on, as a requirements file says it. */
async function clearedDemo() {
  const page = await gathered()
  await page.getByRole('link', { name: 'Clearance' }).click()
  await page.getByRole('tab', { name: 'What it must have' }).click()
  const waivers = TAKEN_ON.map((rule) => ({
    rule,
    reason: 'Mended with the next build',
    by: 'Ada Quillfeather',
    until: new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10),
  }))
  await page.getByLabel('Requirements file to open').setInputFiles({
    name: 'nimble-parrot.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ waivers })),
  })
  await page.getByRole('heading', { name: 'Clear for launch' }).waitFor()
  await page.getByRole('tab', { name: 'The site' }).click()
  await page.waitForTimeout(2000)
  return page
}

const shoot = async (page, name) => {
  await page.waitForTimeout(900)
  await page.screenshot({ path: join(out, `${name}.png`) })
  console.log(`${name}.png`)
}

const views = {
  gather: async (name) => {
    const page = await open()
    await page.goto(address)
    await shoot(page, name)
  },
  wall: async (name) => {
    const page = await gathered()
    await (await lampCard(page)).click()
    await shoot(page, name)
  },
  page: async (name) => {
    const page = await gathered()
    await (await lampCard(page)).dblclick()
    await page
      .getByRole('button', { name: /^Title, from og:title/ })
      .first()
      .hover()
    await shoot(page, name)
  },
  'drafted-pages': async (name) => {
    const page = await gathered()
    await (await lampCard(page)).click()
    await page.keyboard.press('x')
    await page.getByRole('button', { name: /^Select all/ }).click()
    await page.getByRole('button', { name: /^Draft for/ }).click()
    await page.getByRole('button', { name: /^Write \d+ drafts$/ }).click()
    await page.getByRole('tab', { name: 'Drafted pages', selected: true }).waitFor()
    await page.waitForTimeout(1500)
    await shoot(page, name)
  },
  'draft-patch': async (name) => {
    const page = await gathered()
    await (await lampCard(page)).dblclick()
    await page.getByRole('heading', { name: '/guides/rewire-a-lamp' }).waitFor()
    await page.keyboard.press('e')
    await page.getByRole('tabpanel').getByRole('button', { name: 'first paragraph', exact: true }).click()
    await page.waitForTimeout(400)
    await page.getByRole('button', { name: 'Take away' }).click()
    await page.getByLabel('Built folder to patch').setInputFiles(demoFolder)
    await page.getByText('1 file would change.').waitFor()
    await page.getByRole('region', { name: 'The built folder' }).scrollIntoViewIfNeeded()
    await shoot(page, name)
  },
  causes: async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Causes' }).click()
    await shoot(page, name)
  },
  'wall-tried': async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Causes' }).click()
    await page.getByRole('heading', { name: /changes, \d+ of them ready/ }).waitFor()
    for (const _ of [1, 2, 3]) await page.keyboard.press('j')
    await page.getByRole('button', { name: /^After the first/ }).click()
    await page.getByText('Tried, not built').waitFor()
    await page.waitForTimeout(2500)
    await shoot(page, name)
  },
  pictures: async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Pictures' }).click()
    await page.getByLabel('Order of the pictures').selectOption('worst')
    await page.getByRole('button', { name: /lathe-night\.jpg/ }).click()
    await page.waitForTimeout(1500)
    await shoot(page, name)
  },
  'pictures-batch': async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Pictures' }).click()
    await page.getByLabel('Order of the pictures').selectOption('worst')
    await page.getByRole('button', { name: /lathe-night\.jpg/ }).click()
    await page.keyboard.press('x')
    await page.getByRole('button', { name: 'All', exact: true }).click()
    await page.getByRole('button', { name: /^Refit to/ }).click()
    await page.getByRole('img', { name: 'As it will be saved' }).first().waitFor()
    await page.waitForTimeout(2500)
    await shoot(page, name)
  },
  'pictures-compose': async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Pictures' }).click()
    await page.getByRole('radio', { name: 'Compose new ones' }).click()
    await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
    await page.getByRole('button', { name: 'Picture at the right' }).click()
    await page.getByLabel('Face', { exact: true }).selectOption('Bricolage Grotesque')
    await page.waitForTimeout(2500)
    await shoot(page, name)
  },
  drift: async (name) => {
    const page = await drifted()
    await page.getByRole('button', { name: /winter-hours/ }).click()
    await page.keyboard.press('6')
    await page.getByRole('heading', { name: '/news/winter-hours' }).click()
    await shoot(page, name)
  },
  'drift-held': async (name) => {
    const page = await drifted()
    await page.getByRole('tab', { name: 'Held copies' }).click()
    await page.getByRole('heading', { name: /out of date$/ }).click()
    await page.keyboard.press('j')
    await page.keyboard.press('o')
    await page.waitForTimeout(500)
    await page.keyboard.press('n')
    await page.waitForTimeout(500)
    await page.keyboard.press('k')
    await shoot(page, name)
  },
  clearance: async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Clearance' }).click()
    await page.getByRole('region', { name: 'In the way' }).getByRole('listitem').first().waitFor()
    await page.waitForTimeout(2000)
    await shoot(page, name)
  },
  'clearance-clear': async (name) => {
    const page = await clearedDemo()
    await shoot(page, name)
  },
  'clearance-signed': async (name) => {
    const page = await clearedDemo()
    await page.getByLabel('Your name, to sign off').fill('Ada Quillfeather')
    await page.getByRole('button', { name: 'Sign off' }).click()
    await page.getByText(/Signed off by Ada/).waitFor()
    await shoot(page, name)
  },
  'clearance-requirements': async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Clearance' }).click()
    await page.getByRole('tab', { name: 'What it must have' }).click()
    await page.getByRole('button', { name: /^What each page of \/guides\/\* must have/ }).click()
    await page.getByLabel('its own picture').click()
    await page.getByLabel('an author').click()
    await page.getByText(/^With this the site is/).waitFor()
    await shoot(page, name)
  },
  report: async (name) => {
    const file = join(mkdtempSync(join(tmpdir(), 'report-')), 'report.html')
    run('check', demoFolder, '--format', `html=${file}`)
    const page = await open({ viewport: { width: 794, height: 1123 } })
    await page.goto(pathToFileURL(file).href)
    await page.emulateMedia({ media: 'print' })
    // A sheet of A4 at 96 dots an inch, with the margins that it is printed with.
    await page.addStyleTag({ content: 'body { margin: 14mm 13mm !important }' })
    await shoot(page, name)
  },
  'pull-request': async (name) => {
    const at = mkdtempSync(join(tmpdir(), 'pull-request-'))
    run('check', demoFolder, '--format', `json=${join(at, 'main.json')}`)
    cpSync(demoFolder, join(at, 'dist'), { recursive: true })
    cpSync(editedFolder, join(at, 'dist'), { recursive: true })
    run('cards', join(at, 'dist'), '--changed-since', join(at, 'main.json'), '--out', join(at, 'changed.png'))
    writeFileSync(
      join(out, `${name}.png`),
      await sharp(join(at, 'changed.png'))
        .resize({ width: 1084 })
        .extract({ left: 0, top: 0, width: 1084, height: 1400 })
        .png()
        .toBuffer(),
    )
    console.log(`${name}.png`)
  },
  'wall-dark': async (name) => {
    const page = await gathered({ colorScheme: 'dark' })
    await (await lampCard(page)).click()
    await shoot(page, name)
  },
}

try {
  for (const [name, take] of Object.entries(views)) if (only.length === 0 || only.includes(name)) await take(name)
} finally {
  await browser.close()
  app.kill()
  quick.close()
  after.close()
}
