import { chromium, type FullConfig } from '@playwright/test'
import { demoFolder, editedFolder, listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { gatherDemo } from './app'
import { APP_PORT, DEMO_PORT, EDITED_DEMO_PORT, SLOW_DEMO_PORT } from './ports'
import { keepDatabase } from './stored-demo'

/** Gathers the demo once, for the tests that begin with it. */
async function storeDemo(config: FullConfig): Promise<void> {
  const { launchOptions, baseURL } = config.projects[0]!.use
  const browser = await chromium.launch(launchOptions)
  const page = await browser.newPage({ baseURL: baseURL! })
  await gatherDemo(page)
  await page.getByRole('button', { name: 'Open the Wall' }).click()
  await page.waitForURL(/\/wall/)
  await keepDatabase(page)
  await browser.close()
}

/** Builds the app when that is needed, and starts it beside three demo servers: a quick one, a slow one, and one of the demo after an edit. */
export default async function globalSetup(config: FullConfig): Promise<() => Promise<void>> {
  ensureBuild()
  const quick = serveFolder(demoFolder)
  const slow = serveFolder(demoFolder, { delayMs: 700 })
  const after = serveFolder(demoFolder, { overlay: editedFolder })
  const demo = await listen(quick, DEMO_PORT)
  await listen(slow, SLOW_DEMO_PORT)
  const edited = await listen(after, EDITED_DEMO_PORT)
  const { app } = await startApp({ port: APP_PORT, demo, edited })
  await storeDemo(config).catch((error: unknown) => {
    // Else it would hold this process open.
    app.kill()
    throw error
  })
  return async () => {
    app.kill()
    quick.close()
    slow.close()
    after.close()
  }
}
