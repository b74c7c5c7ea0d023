// npm run demo: installs what is missing, builds the app, serves the demo site and the app, prints the address.
import { spawn } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { demoFolder, editedFolder, listen, serveFolder } from '../demo/server.mjs'
import { ensurePackages, root, run } from './setup.mjs'

const next = join(root, 'node_modules', 'next', 'dist', 'bin', 'next')

/** When the youngest of these files was written. */
function youngest(path) {
  const found = statSync(path)
  if (!found.isDirectory()) return found.mtimeMs
  return Math.max(0, ...readdirSync(path).map((name) => youngest(join(path, name))))
}

/** Builds the app unless a build is there that is younger than everything it is made of. */
export function ensureBuild() {
  const built = join(root, '.next', 'BUILD_ID')
  const made = ['src', 'package-lock.json', 'next.config.ts', 'tsconfig.json'].map((path) => youngest(join(root, path)))
  if (existsSync(built) && statSync(built).mtimeMs > Math.max(...made)) return
  console.error('Building the app …')
  run(process.execPath, [next, 'build'], {
    stdio: ['ignore', 2, 2],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  })
}

/**
 * Starts the built app on loopback.
 * @param {{ port: number, demo: string, edited?: string }} options addresses of the demo, and of the demo after an edit
 * @returns the process, once the app answers
 */
export async function startApp({ port, demo, edited }) {
  const demos = { NIMBLE_PARROT_DEMO: demo, ...(edited ? { NIMBLE_PARROT_DEMO_EDITED: edited } : {}) }
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...demos }
  const app = spawn(process.execPath, [join(root, 'scripts', 'serve.mjs'), '--port', String(port)], {
    cwd: root,
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  const address = `http://127.0.0.1:${port}/`
  for (let tries = 0; tries < 150; tries++) {
    if (app.exitCode !== null)
      throw new Error(`The app did not start: is port ${port} in use? Set PORT to another one.`)
    const answer = await fetch(address).catch(() => null)
    if (answer?.ok) return { app, address }
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  app.kill()
  throw new Error(`The app did not answer at ${address} within 30 s.`)
}

async function main() {
  ensurePackages()
  ensureBuild()
  const port = Number(process.env.PORT || 4300)
  const delayMs = Number(process.env.DEMO_DELAY_MS ?? 0)
  const demoPort = Number(process.env.DEMO_PORT || 4301)
  const demo = await listen(serveFolder(demoFolder, { delayMs }), demoPort)
  const edited = await listen(serveFolder(demoFolder, { delayMs, overlay: editedFolder }), demoPort + 1)
  const { app, address } = await startApp({ port, demo, edited })
  console.log(
    `\nNimble Parrot is at ${address}\nThe demo site is at ${demo}, and a week later, edited, at ${edited}\n\nOpen the first, choose “The demo”. Ctrl C ends both.`,
  )
  app.on('exit', (code) => process.exit(code ?? 0))
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => app.kill())
}

if (process.argv[1] === join(root, 'scripts', 'demo.mjs')) {
  main().catch((error) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${error.port} is in use. Set PORT or DEMO_PORT to another one.`
        : error.message,
    )
    process.exit(1)
  })
}
