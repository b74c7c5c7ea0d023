// Packs what is published, installs it into an empty folder outside the checkout, and uses it there as a stranger would.
import { spawn, spawnSync } from 'node:child_process'
import { cpSync, lstatSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { buildApp, stagedApp } from './build-app.mjs'
import { buildCommand, packageFolder } from './build-command.mjs'
import { root } from './setup.mjs'

/** What an installation may take (bytes as they stand on the disk), and of how many packages it may be. */
const MAX_BYTES = 45_000_000
const MAX_PACKAGES = 30

function ran(command, args, options = {}, expected = 0) {
  const result = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64_000_000, ...options })
  if (result.status === expected) return result.stdout
  console.error(
    `${command} ${args.join(' ')} ended with ${result.status}, not ${expected}:\n${result.stdout}${result.stderr}`,
  )
  process.exit(1)
}

const sizeOf = (path) => {
  const found = lstatSync(path)
  if (!found.isDirectory()) return found.size
  return readdirSync(path).reduce((sum, name) => sum + sizeOf(join(path, name)), 0)
}

const packagesIn = (at) =>
  Object.keys(JSON.parse(readFileSync(join(at, 'node_modules', '.package-lock.json'), 'utf8')).packages).length

/** A package as a tarball in a folder of its own. */
function pack(folder, into) {
  const [{ filename }] = JSON.parse(
    ran('npm', ['pack', '--json', '--ignore-scripts', '--pack-destination', into], { cwd: folder }),
  )
  return join(into, filename)
}

const install = (tarball, project) =>
  ran('npm', ['install', tarball, '--ignore-scripts', '--no-audit', '--no-fund'], { cwd: project })

/** Starts the app and waits for its address. @returns the address, and what ends it */
function started(args, project, env) {
  const app = spawn('npx', ['--no-install', ...args], {
    cwd: project,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  })
  // The whole group: npx starts the app through a shell.
  const end = () => process.kill(-app.pid)
  return new Promise((resolve, reject) => {
    let said = ''
    app.stdout.on('data', (piece) => {
      said += piece
      const address = /http:\/\/\S+/.exec(said)
      if (address) resolve({ address: address[0], end })
    })
    app.on('exit', (code) => reject(new Error(`${args.join(' ')} ended with ${code}: ${said}`)))
  })
}

/** The app, installed beside the command: it answers, with the build it was started with, and the command opens it. */
async function proveApp(at, project) {
  const tarball = pack(stagedApp, at)
  install(tarball, project)
  console.log(
    `with the app: ${(sizeOf(join(project, 'node_modules')) / 1e6).toFixed(1)} MB in ${packagesIn(project)} packages`,
  )
  for (const args of [['nimble-parrot-app', './my built site', '--port', '0'], ['nimble-parrot']]) {
    const { address, end } = await started(args, project, { ...process.env, PORT: '0' })
    try {
      const page = await (await fetch(address)).text()
      const script = /\/_next\/static\/[^"]+\.js/.exec(page)
      if (!/<title>[^<]*Nimble Parrot<\/title>/.test(page) || !script)
        throw new Error(`No page at ${address}: ${page.slice(0, 300)}`)
      const { status } = await fetch(new URL(script[0], address))
      if (status !== 200) throw new Error(`${script[0]} answers ${status}.`)
      const { paths } = await (await fetch(new URL('/api/source', address))).json()
      const isGiven = args.includes('./my built site')
      if ((paths?.filter((path) => path.endsWith('.html')).length ?? 0) < 40 === isGiven)
        throw new Error(`${args.join(' ')} serves ${paths?.length} files.`)
    } finally {
      end()
    }
  }
  const refused = ran('npx', ['--no-install', 'nimble-parrot-app', './nowhere'], { cwd: project }, 2)
  if (refused !== '') throw new Error(`A source that is not there is answered by ${refused}`)
  console.log('packed, installed and used: the app, by itself and through the command')
}

const TYPED = `import { check, compare, type MadeRun, NimbleParrotError, readRun, version } from 'nimble-parrot'
const run: MadeRun = await check('my built site', { site: 'https://brasswick.example' })
const errors: number = run.summary.error
const verdict: 'clear' | 'not-clear' | 'not-known' = run.summary.verdict
const drift = compare(await readRun('run.json'), run)
const failed = await check('nowhere').catch((error: unknown) => error instanceof NimbleParrotError)
console.log(JSON.stringify({ errors, verdict, changed: drift.changed.length, failed, version }))
`

/** The app's package is a program, not a module: what it serves to browsers, and other people's modules, are as they are. */
async function lintApp() {
  const { publint } = await import('publint')
  const { formatMessage } = await import('publint/utils')
  const { messages, pkg } = await publint({ pkgDir: stagedApp, strict: true, pack: 'npm' })
  const ours = messages.filter(({ args }) => !/^\/?(?:node_modules|\.next)\//.test(args?.actualFilePath ?? ''))
  if (ours.length === 0) return
  console.error(ours.map((message) => formatMessage(message, pkg)).join('\n'))
  process.exit(1)
}

export async function provePackages() {
  await buildCommand()
  buildApp()
  const bin = (name) => join(root, 'node_modules', '.bin', name)
  ran(bin('publint'), [packageFolder, '--strict'])
  const at = mkdtempSync(join(tmpdir(), 'nimble-parrot-proof-'))
  try {
    await lintApp()
    const tarball = pack(packageFolder, at)
    ran(bin('attw'), [tarball, '--profile', 'esm-only'])
    const project = join(at, 'a project')
    mkdirSync(project)
    writeFileSync(join(project, 'package.json'), '{ "private": true, "type": "module" }\n')
    install(tarball, project)
    const bytes = sizeOf(join(project, 'node_modules'))
    const packages = packagesIn(project)
    console.log(`installed: ${(bytes / 1e6).toFixed(1)} MB in ${packages} packages`)
    if (bytes > MAX_BYTES || packages > MAX_PACKAGES) {
      console.error(`More than ${MAX_BYTES / 1e6} MB or ${MAX_PACKAGES} packages.`)
      process.exit(1)
    }

    cpSync(join(root, 'demo', 'site'), join(project, 'my built site'), { recursive: true })
    const npx = (args, expected = 0) =>
      ran('npx', ['--no-install', 'nimble-parrot', ...args], { cwd: project }, expected)
    const { version } = JSON.parse(readFileSync(join(packageFolder, 'package.json'), 'utf8'))
    if (npx(['--version']).trim() !== version) throw new Error('--version says another one than the package.')
    if (!npx(['--help']).includes('check')) throw new Error('--help says nothing of check.')
    npx(['init', '--site', 'https://brasswick.example', '--workflow'])
    const written = JSON.parse(readFileSync(join(project, 'nimble-parrot.json'), 'utf8'))
    readFileSync(join(project, written.$schema))
    if (!npx(['init']).includes('left as it was: nimble-parrot.json')) throw new Error('init wrote over a file.')
    const text = npx(['check', './my built site', '--format', 'json=run.json', '--format', 'text'], 1)
    if (!text.startsWith('Not clear: 29 errors, 44 warnings, 16 notes'))
      throw new Error(`The demo is judged otherwise: ${text.slice(0, 200)}`)
    if (JSON.parse(readFileSync(join(project, 'run.json'), 'utf8')).pages.length !== 48)
      throw new Error('Pages are missing.')

    npx(['cards', 'run.json', '--page', '/', '--surface', 'wide-feed', '--out', 'home.png'])
    npx(['cards', 'run.json', '--page', '/', '--surface', 'wide-feed', '--out', 'home.svg'])
    npx(['check', './my built site', '--format', 'html=report.html', '--one-page'], 1)
    const drawn = ['home.png', 'home.svg', 'report.html'].map((name) => readFileSync(join(project, name)))
    if (drawn[0].length < 50_000 || !drawn[1].includes('@font-face') || !drawn[2].includes('data:image/jpeg;base64,'))
      throw new Error('Cards are not drawn, or without their pictures or letters.')

    // Whether a picture lets through what is behind it is known from its pixels alone: it has to be decoded.
    const { default: sharp } = await import('sharp')
    const glass = { r: 10, g: 120, b: 77, alpha: 0.5 }
    mkdirSync(join(project, 'glass'))
    writeFileSync(
      join(project, 'glass', 'index.html'),
      '<title>Glass</title><meta property="og:image" content="/glass.png">',
    )
    await sharp({ create: { width: 1200, height: 630, channels: 4, background: glass } })
      .png()
      .toFile(join(project, 'glass', 'glass.png'))
    npx(['check', './glass', '--format', 'json=glass.json'], 1)
    const { images } = JSON.parse(readFileSync(join(project, 'glass.json'), 'utf8'))
    if (!images.some(({ alpha }) => alpha === true)) throw new Error('Pictures are not decoded.')

    writeFileSync(join(project, 'use.mts'), TYPED)
    ran(
      bin('tsc'),
      [
        '--strict',
        '--module',
        'nodenext',
        '--target',
        'es2022',
        '--types',
        'node',
        '--typeRoots',
        join(root, 'node_modules/@types'),
        '--outDir',
        '.',
        'use.mts',
      ],
      { cwd: project },
    )
    const said = JSON.parse(ran(process.execPath, ['use.mjs'], { cwd: project }))
    const wanted = { errors: 29, verdict: 'not-clear', changed: 0, failed: true, version }
    if (JSON.stringify(said) !== JSON.stringify(wanted)) throw new Error(`The interface says ${JSON.stringify(said)}`)
    console.log('packed, installed and used: the command, its schemas, and its programming interface')
    await proveApp(at, project)
  } finally {
    rmSync(at, { recursive: true, force: true })
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await provePackages()
