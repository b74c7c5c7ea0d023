import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join, sep } from 'node:path'
import { fileURLToPath } from 'node:url'

const APP = 'nimble-parrot-app'

/**
 * The app's own start, where it is installed beside this command; null where it isn't. Folders that one happens to stand in
 * are not searched: what lies there may be anybody's.
 */
function installedApp(): string | null {
  const own = fileURLToPath(import.meta.url)
  const modules = own.lastIndexOf(`${sep}node_modules${sep}`)
  if (modules < 0) return null
  const start = join(own.slice(0, modules), 'node_modules', APP, 'bin.mjs')
  return existsSync(start) ? start : null
}

/** Starts the app where it is installed, else says how it is got. @returns the exit code */
export async function openApp(): Promise<number> {
  const start = installedApp()
  if (start === null) {
    process.stdout.write(
      `nimble-parrot check SOURCE checks every page of a site; nimble-parrot --help says more.\nThe app is a package of its own: npx ${APP} opens it. In a checkout, npm run demo does.\n`,
    )
    return 0
  }
  const app = spawn(process.execPath, [start], { stdio: 'inherit' })
  return new Promise((resolve) => app.on('exit', (code) => resolve(code ?? 0)))
}
