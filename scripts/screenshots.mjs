// Takes the pictures in docs/screenshots again, from the demo: node scripts/screenshots.mjs [name …]
import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
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
const only = process.argv.slice(2)
const out = process.env.SCREENSHOTS ?? join(root, 'docs', 'screenshots')

ensureBuild()
const quick = serveFolder(demoFolder)
const slow = serveFolder(demoFolder, { delayMs: 1050 })
const after = serveFolder(demoFolder, { overlay: editedFolder })
const demo = await listen(quick, 4321)
const slowDemo = await listen(slow, 4322)
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

/** Types an address into the first form and starts. */
async function gatherAddress(page, at) {
  await page.goto(address)
  await page.getByRole('region', { name: 'A running address' }).getByLabel('Address', { exact: true }).fill(at)
  await page.getByRole('button', { name: 'Gather pages' }).click()
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
  'gather-running': async (name) => {
    const page = await open()
    await gatherAddress(page, slowDemo)
    await page.waitForTimeout(4200)
    await shoot(page, name)
  },
  'gather-trouble': async (name) => {
    const page = await gathered()
    await gatherAddress(page, 'http://localhost:3999')
    await page.getByText('The run could not go on').waitFor()
    await shoot(page, name)
  },
  wall: async (name) => {
    const page = await gathered()
    await (await lampCard(page)).click()
    await shoot(page, name)
  },
  'wall-beside': async (name) => {
    const page = await gathered()
    await page.keyboard.press('Shift+Digit7')
    await (await lampCard(page)).click()
    await shoot(page, name)
  },
  'wall-search': async (name) => {
    const page = await gathered()
    await page.keyboard.press('9')
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
  'look-again': async (name) => {
    // A copy of the demo's build in which one page is mended between the two looks.
    const folder = mkdtempSync(join(tmpdir(), 'looked-'))
    cpSync(demoFolder, folder, { recursive: true })
    const own = serveFolder(folder)
    const at = await listen(own, 4323)
    const page = await open()
    await gatherAddress(page, at)
    await page.getByText('brasswick.example is gathered.').waitFor()
    await page.getByRole('button', { name: 'Open the Wall' }).click()
    await (await lampCard(page)).dblclick()
    const file = join(folder, 'guides', 'rewire-a-lamp.html')
    const sentence = 'One evening, one screwdriver and a new cord: how to make a table lamp safe again.'
    const html = readFileSync(file, 'utf8')
    writeFileSync(
      file,
      html.replace('property="og:description" content=""', `property="og:description" content="${sentence}"`),
    )
    await page.getByRole('button', { name: /Look again/ }).click()
    await page.getByRole('region', { name: 'What changed' }).waitFor()
    await shoot(page, name)
    own.close()
  },
  draft: async (name) => {
    const page = await gathered()
    await (await lampCard(page)).dblclick()
    await page.getByRole('heading', { name: '/guides/rewire-a-lamp' }).waitFor()
    await page.keyboard.press('e')
    const pane = page.getByRole('tabpanel')
    await pane
      .getByLabel('Title', { exact: true })
      .fill('Rewire a table lamp safely in one evening with a screwdriver and a new cord')
    await pane.getByRole('button', { name: 'first paragraph', exact: true }).click()
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
    await page.getByRole('heading', { name: /changes would clear/ }).waitFor()
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
  'pictures-compose': async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Pictures' }).click()
    await page.getByRole('radio', { name: 'Compose new ones' }).click()
    await page.getByRole('button', { name: /^\/guides\/\*/ }).click()
    await page.getByLabel('Ground', { exact: true }).selectOption('picture')
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
  'drift-box': async (name) => {
    const page = await drifted()
    await page.getByRole('button', { name: /lamp-clinic/ }).click()
    await page.getByRole('tab', { name: 'Share box' }).click()
    for (const act of ['Post the link', 'The edit goes live', '31 days pass', 'Post the link'])
      await page.getByRole('button', { name: act }).click()
    await shoot(page, name)
  },
  clearance: async (name) => {
    const page = await gathered()
    await page.getByRole('link', { name: 'Clearance' }).click()
    await page.getByRole('region', { name: 'In the way' }).getByRole('listitem').first().waitFor()
    await page.waitForTimeout(2000)
    await shoot(page, name)
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
  slow.close()
  after.close()
}
