// Stages the app as it is published: writes release/nimble-parrot-app, built, with all that it needs to be served.
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { basename, dirname, join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './demo.mjs'
import { notices } from './notices.mjs'
import { root } from './setup.mjs'

const from = join(root, 'packages', 'nimble-parrot-app')
const build = join(root, '.next')
export const stagedApp = join(root, 'release', 'nimble-parrot-app')

/** Parts of a build that are for its developers, and are not served. */
const NOT_SERVED = new Set([
  'build',
  'cache',
  'diagnostics',
  'lock',
  'node_modules',
  'standalone',
  'trace',
  'trace-build',
  'turbopack',
  'types',
])

/** Everything below a folder. */
const filesIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))

/** Packages that npm installs beside the app, since they hold binaries of one system; and what only they need. */
const ORDINARY = ['sharp', '@img/', 'semver', 'detect-libc']

/** Files of packages that the built server may load, as its compiler has traced them. */
function tracedFiles() {
  const traces = filesIn(build).filter((file) => file.endsWith('.nft.json') && !file.startsWith(join(build, 'cache')))
  const files = traces.flatMap((trace) =>
    JSON.parse(readFileSync(trace, 'utf8')).files.map((file) => join(dirname(trace), file)),
  )
  const modules = join(root, 'node_modules') + sep
  return [...new Set(files)].filter((file) => {
    const path = file.slice(modules.length)
    return file.startsWith(modules) && !ORDINARY.some((name) => path.startsWith(name)) && existsSync(file)
  })
}

/** The package that a path below node_modules belongs to. */
const packageOf = (path) => path.split(sep, path.startsWith('@') ? 2 : 1).join('/')

/** A package's description without what it would have npm install: all that is needed is there. */
function bareDescription(name) {
  const described = JSON.parse(readFileSync(join(root, 'node_modules', name, 'package.json'), 'utf8'))
  const kept = ['name', 'version', 'license', 'type', 'main', 'exports', 'imports', 'browser', 'sideEffects']
  return Object.fromEntries(kept.filter((key) => key in described).map((key) => [key, described[key]]))
}

/** Packages of which most is never served. Of the others all is taken: which of their files Node prefers, it alone knows. */
const TAKEN_BY_TRACE = new Set(['next', 'react-dom'])

/** Copies the packages that are needed, with their licences. @returns their versions by name */
function bundleModules() {
  const modules = join(root, 'node_modules')
  const names = new Map()
  for (const file of tracedFiles()) {
    const path = relative(modules, file)
    const name = packageOf(path)
    names.set(name, '')
    if (TAKEN_BY_TRACE.has(name)) cpSync(file, join(stagedApp, 'node_modules', path), { dereference: true })
  }
  for (const name of names.keys()) {
    const description = bareDescription(name)
    names.set(name, description.version)
    const into = join(stagedApp, 'node_modules', name)
    if (!TAKEN_BY_TRACE.has(name)) cpSync(join(modules, name), into, { recursive: true })
    writeFileSync(join(into, 'package.json'), `${JSON.stringify(description, null, 2)}\n`)
    for (const file of readdirSync(join(modules, name)))
      if (/^licen[cs]e/i.test(file)) cpSync(join(modules, name, file), join(into, file))
  }
  return names
}

function copyBuild() {
  for (const entry of readdirSync(build)) {
    if (NOT_SERVED.has(entry)) continue
    cpSync(join(build, entry), join(stagedApp, '.next', entry), {
      recursive: true,
      filter: (path) => !path.endsWith('.map') && !path.endsWith('.nft.json'),
    })
  }
}

/** The build notes where it was made: that is of no use to anyone else, and no one's business. */
function forgetPlace() {
  const file = join(stagedApp, '.next', 'required-server-files.json')
  const known = JSON.parse(readFileSync(file, 'utf8'))
  known.appDir = known.relativeAppDir = ''
  writeFileSync(file, JSON.stringify(known).replaceAll(JSON.stringify(root).slice(1, -1), '.'))
  rmSync(join(stagedApp, '.next', 'required-server-files.js'), { force: true })
}

export function buildApp() {
  ensureBuild()
  rmSync(stagedApp, { recursive: true, force: true })
  mkdirSync(stagedApp, { recursive: true })
  for (const file of ['bin.mjs', 'serve.mjs', 'README.md']) cpSync(join(from, file), join(stagedApp, file))
  for (const file of ['LICENSE', 'demo/server.mjs', 'demo/site', 'demo/edited'])
    cpSync(join(root, file), join(stagedApp, file), { recursive: true })
  const decoder = join(root, 'src', 'io', 'decoder', 'decoder-process.mjs')
  cpSync(decoder, join(stagedApp, basename(decoder)))
  writeFileSync(join(stagedApp, 'NOTICES.txt'), notices())
  copyBuild()
  forgetPlace()
  const bundled = Object.fromEntries([...bundleModules()].sort(([a], [b]) => (a < b ? -1 : 1)))
  const description = JSON.parse(readFileSync(join(from, 'package.json'), 'utf8'))
  const whole = {
    ...description,
    dependencies: { ...bundled, ...description.dependencies },
    bundleDependencies: Object.keys(bundled),
  }
  writeFileSync(join(stagedApp, 'package.json'), `${JSON.stringify(whole, null, 2)}\n`)
}

if (process.argv[1] === fileURLToPath(import.meta.url)) buildApp()
