import { chromium } from '@playwright/test'
import { demoFolder, listen, serveFolder } from './demo/server.mjs'
import { startApp } from './scripts/demo.mjs'
const demo = await listen(serveFolder(demoFolder), 4421)
const { app, address } = await startApp({ port: 4420, demo })
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--disable-background-networking'] })
const page = await (await b.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: process.env.DARK ? 'dark' : 'light' })).newPage()
page.on('console', m => m.type()==='error' && console.log('ERR', m.text())); page.on('pageerror', e => console.log('PAGEERR', e.message))
await page.goto(address)
await page.getByRole('button', { name: 'Gather the demo' }).click()
await page.getByText('brasswick.example is gathered.').waitFor({timeout:90000})
await page.getByRole('button', { name: 'Open the Wall' }).click()
await page.waitForTimeout(2500)
const step = await import(process.argv[2]); await step.default(page)
await b.close(); process.exit(0)
