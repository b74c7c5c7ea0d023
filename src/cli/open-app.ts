import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fromHere } from './from-here'

const APP = 'nimble-parrot-app'

/** The app's command, in the project that one stands in or beside this package; null where it is not installed. */
function installedApp(): string | null {
  const places: string[] = []
  for (let at = fromHere('.'); places.at(-1) !== at; at = dirname(at)) places.push(at)
  const bin = places.map((at) => join(at, 'node_modules', '.bin', APP)).find((path) => existsSync(path))
  return bin ?? null
}

/** Starts the app where it is installed, else says how it is got. @returns the exit code */
export async function openApp(): Promise<number> {
  const bin = installedApp()
  if (bin === null) {
    process.stdout.write(
      'nimble-parrot check SOURCE checks every page of a site; nimble-parrot --help says more.\nIn a checkout, npm run demo opens the app.\n',
    )
    return 0
  }
  const app = spawn(bin, [], { stdio: 'inherit' })
  return new Promise((resolve) => app.on('exit', (code) => resolve(code ?? 0)))
}
