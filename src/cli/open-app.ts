import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fromHere } from './from-here'

const APP = 'nimble-parrot-app'

/** The app's own start, in the project that one stands in; null where it is not installed. */
function installedApp(): string | null {
  const places: string[] = []
  for (let at = fromHere('.'); places.at(-1) !== at; at = dirname(at)) places.push(at)
  return places.map((at) => join(at, 'node_modules', APP, 'bin.mjs')).find((path) => existsSync(path)) ?? null
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
