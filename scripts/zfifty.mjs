import { chromium } from '@playwright/test'
import { ensureBuild, startApp } from './demo.mjs'
import { ensureChromium } from './setup.mjs'
ensureBuild()
const folder = process.argv[2]
setTimeout(() => process.exit(1), 900000)
const { app, address } = await startApp({ port: 4520, demo: 'http://127.0.0.1:1', edited: 'http://127.0.0.1:1' })
const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox','--disable-gpu','--disable-background-networking','--disable-component-update','--disable-sync'] })
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
page.setDefaultTimeout(600000)
const log = (...all) => console.log(new Date().toISOString().slice(11, 19), ...all)
await page.goto(address)
let t = performance.now()
await page.getByLabel('Choose a folder').setInputFiles(folder)
log('handed over', ((performance.now() - t) / 1000).toFixed(1))
const all = page.getByRole('button', { name: 'Gather all' })
await Promise.race([all.waitFor(), page.getByText('is gathered.').waitFor()])
if (await all.isVisible()) { await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/z5.png' }); t = performance.now(); await all.click() }
if (process.argv[3] === 'notice') { await browser.close(); app.kill('SIGKILL'); process.exit(0) }
await page.getByText('bench.example is gathered.').waitFor()
log('gathered', ((performance.now() - t) / 1000).toFixed(1))
const timed = async (name, act, done) => { const s = performance.now(); await act(); await done(); log(name, ((performance.now() - s) / 1000).toFixed(2)) }
await timed('wall', () => page.getByRole('button', { name: 'Open the Wall' }).click(), () => page.getByRole('button', { name: /^\/s0\/\*/ }).first().waitFor())
await page.screenshot({ path: '/tmp/z6.png' })
await timed('causes', () => page.getByRole('link', { name: /^Causes/ }).click(), () => page.getByText(/description/).first().waitFor())
await page.waitForTimeout(1000); await page.screenshot({ path: '/tmp/z7.png' })
await timed('pictures', () => page.getByRole('link', { name: /^Pictures/ }).click(), () => page.getByText(/0\.png/).first().waitFor())
await timed('clearance', () => page.getByRole('link', { name: /^Clearance/ }).click(), () => page.getByText(/Not clear/).first().waitFor())
await page.waitForTimeout(1000); await page.screenshot({ path: '/tmp/z8.png' })
await timed('wall again', () => page.getByRole('link', { name: /^Wall/ }).click(), () => page.getByRole('button', { name: /^\/s0\/\*/ }).first().waitFor())
log(await page.evaluate(async () => JSON.stringify(await navigator.storage.estimate())))
await browser.close(); app.kill('SIGKILL'); process.exit(0)
