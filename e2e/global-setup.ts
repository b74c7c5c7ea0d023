import { demoFolder, listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { APP_PORT, DEMO_PORT, SLOW_DEMO_PORT } from './ports'

/** Builds the app when that is needed, and starts it beside two demo servers: a quick one and a slow one. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  ensureBuild()
  const quick = serveFolder(demoFolder)
  const slow = serveFolder(demoFolder, { delayMs: 700 })
  const demo = await listen(quick, DEMO_PORT)
  await listen(slow, SLOW_DEMO_PORT)
  const { app } = await startApp({ port: APP_PORT, demo })
  return async () => {
    app.kill()
    quick.close()
    slow.close()
  }
}
