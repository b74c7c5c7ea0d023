import { demoFolder, editedFolder, listen, serveFolder } from '../demo/server.mjs'
import { ensureBuild, startApp } from '../scripts/demo.mjs'
import { APP_PORT, DEMO_PORT, EDITED_DEMO_PORT, SLOW_DEMO_PORT } from './ports'

/** Builds the app when that is needed, and starts it beside three demo servers: a quick one, a slow one, and one of the demo after an edit. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  ensureBuild()
  const quick = serveFolder(demoFolder)
  const slow = serveFolder(demoFolder, { delayMs: 700 })
  const after = serveFolder(demoFolder, { overlay: editedFolder })
  const demo = await listen(quick, DEMO_PORT)
  await listen(slow, SLOW_DEMO_PORT)
  const edited = await listen(after, EDITED_DEMO_PORT)
  const { app } = await startApp({ port: APP_PORT, demo, edited })
  return async () => {
    app.kill()
    quick.close()
    slow.close()
    after.close()
  }
}
