// What a fresh machine needs before anything else can run. Uses nothing but Node: the packages are not there yet.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Ends this process with the child's exit code when it failed. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (result.error) {
    console.error(`${command} could not be started: ${result.error.message}`)
    process.exit(1)
  }
  if (result.status !== 0) process.exit(result.status ?? 1)
}

/** Are the packages missing, or older than the lock file? npm writes a lock of its own into node_modules. */
function isInstallNeeded() {
  const installed = join(root, 'node_modules', '.package-lock.json')
  return !existsSync(installed) || statSync(installed).mtimeMs < statSync(join(root, 'package-lock.json')).mtimeMs
}

/** Installs the packages when they are missing. What npm says goes to standard error: output may be a document. */
export function ensurePackages() {
  if (!isInstallNeeded()) return
  console.error('Installing packages (npm ci) …')
  // No package needs a script of its own to be run at installation, and none is trusted with one.
  run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] })
}

const BROWSERS = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

/** Path of Debian's Chromium; installed by apt when absent and we are root. */
export function ensureChromium() {
  const found = [process.env.CHROMIUM_PATH, ...BROWSERS].find((path) => path && existsSync(path))
  if (found) return found
  const isDebian =
    existsSync('/etc/debian_version') ||
    (existsSync('/etc/os-release') && /debian/i.test(readFileSync('/etc/os-release', 'utf8')))
  if (!isDebian || process.getuid?.() !== 0) {
    console.error(
      'The browser tests need Chromium. Install it (Debian: apt-get install chromium) or name it in CHROMIUM_PATH.',
    )
    process.exit(1)
  }
  console.error('Installing Chromium (apt-get install chromium) …')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  return BROWSERS.find((path) => existsSync(path)) ?? BROWSERS[0]
}
