// What a fresh machine needs before anything else can run. Uses nothing but Node: the packages are not there yet.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, lstatSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
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

/** Where it is kept for which lock file the packages were installed: by its content, since times say nothing of that. */
const installedFor = (at) => join(at, 'node_modules', '.installed-for')

const contentOf = (file) => createHash('sha256').update(readFileSync(file)).digest('hex')

/**
 * Did somebody run npm there, to its end? It then says in a lock file of its own what it has installed. Packages for
 * other systems may be missing.
 */
function areInstalledByNpm(at) {
  const own = join(at, 'node_modules', '.package-lock.json')
  if (!existsSync(own)) return false
  try {
    const { packages: there } = JSON.parse(readFileSync(own, 'utf8'))
    const { packages: wanted } = JSON.parse(readFileSync(join(at, 'package-lock.json'), 'utf8'))
    return Object.entries(wanted).every(
      ([path, { version, optional, link }]) =>
        !path.startsWith('node_modules/') || optional || link || there[path]?.version === version,
    )
  } catch {
    return false
  }
}

/** Are the packages of this lock file there, all of them? An installation that was broken off leaves no mark. */
export function arePackagesInstalled(at = root) {
  const mark = installedFor(at)
  if (existsSync(mark)) return readFileSync(mark, 'utf8') === contentOf(join(at, 'package-lock.json'))
  return areInstalledByNpm(at)
}

/** For everything but demo and test, which alone set up: says the one line to type, and ends. */
export function requirePackages() {
  if (existsSync(join(root, 'node_modules'))) return
  console.error('The packages of this checkout are not installed. Run this once: npm ci --ignore-scripts')
  process.exit(2)
}

/** How long one that sets up waits for another one, in ms. */
const PATIENCE_MS = 10 * 60 * 1000

const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}

/** Creates the file with this process's id in it; false when it is there already. */
function claim(file) {
  try {
    writeFileSync(file, String(process.pid), { flag: 'wx' })
    return true
  } catch (error) {
    if (error.code === 'EEXIST') return false
    throw error
  }
}

/** The process that a lock names; 0 when the lock is gone or its id is not written yet. */
function ownerOf(lock) {
  try {
    return Number(readFileSync(lock, 'utf8'))
  } catch (error) {
    if (error.code === 'ENOENT') return 0
    throw error
  }
}

/**
 * Removes a lock whose process is gone. One process does so at a time, and asks again who owns the lock once it is that
 * one: two that saw the same dead owner would else each remove a lock, the second one that of the first.
 */
function removeWhenLeftBehind(lock) {
  const removal = `${lock}-removal`
  if (!claim(removal)) return
  try {
    const owner = ownerOf(lock)
    if (owner > 0 && !isAlive(owner)) rmSync(lock, { force: true })
  } finally {
    rmSync(removal, { force: true })
  }
}

/**
 * Runs what must not run twice at once in this checkout, whichever process asks for it. A lock that a process left
 * behind is taken over.
 */
export function underLock(work, at = root) {
  const lock = join(at, '.setup-lock')
  const until = Date.now() + PATIENCE_MS
  while (!claim(lock)) {
    const owner = ownerOf(lock)
    if (Date.now() > until)
      throw new Error(
        `Another process sets this checkout up (${owner}). Delete ${lock} and ${lock}-removal if none does.`,
      )
    if (owner > 0 && !isAlive(owner)) removeWhenLeftBehind(lock)
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 50)
  }
  try {
    return work()
  } finally {
    rmSync(lock, { force: true })
  }
}

/** Installs the packages when they are missing. What npm says goes to standard error: output may be a document. */
export function ensurePackages() {
  if (arePackagesInstalled()) return
  if (lstatSync(join(root, 'node_modules'), { throwIfNoEntry: false })?.isSymbolicLink()) {
    console.error('node_modules is a link: the packages behind it belong to another checkout, and are left alone.')
    return
  }
  underLock(() => {
    // Another one may have set up while this one waited.
    if (arePackagesInstalled()) return
    console.error('Installing packages (npm ci) …')
    // No package needs a script of its own to be run at installation, and none is trusted with one.
    run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] })
    writeFileSync(installedFor(root), contentOf(join(root, 'package-lock.json')))
  })
}

const BROWSERS = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

/** May Debian's packages be installed here? */
const isDebianRoot = () =>
  process.getuid?.() === 0 &&
  (existsSync('/etc/debian_version') ||
    (existsSync('/etc/os-release') && /debian/i.test(readFileSync('/etc/os-release', 'utf8'))))

/** Path of Debian's Chromium; installed by apt when absent and we are root. */
export function ensureChromium() {
  const found = [process.env.CHROMIUM_PATH, ...BROWSERS].find((path) => path && existsSync(path))
  if (found) return found
  if (!isDebianRoot()) {
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
  return BROWSERS.find((path) => existsSync(path)) ?? '/usr/bin/chromium'
}

/** GNU parallel for the test that runs parts with it: installed as Chromium is. Without it that one test is left out. */
export function ensureParallel() {
  if (existsSync('/usr/bin/parallel') || !isDebianRoot()) return
  console.error('Installing GNU parallel (apt-get install parallel) …')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const apt = (args) => spawnSync('apt-get', args, { env, stdio: 'ignore' }).status === 0
  const install = () => apt(['install', '-y', '-qq', '--no-install-recommends', 'parallel'])
  if (!install() && !(apt(['update', '-qq']) && install()))
    console.error('It could not be installed: the test that runs parts with it is left out.')
}
