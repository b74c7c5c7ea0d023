// Completes package-lock.json with the optional, other-platform packages that npm left out.
//
// When a registry (or a mirror of one) does not answer for a binary package of another system, npm drops it
// from the lock file. `npm ci` then refuses the lock ("Missing: … from lock file"), and a person on that other
// system would not get their binary. A stub of name, version, os and cpu is all that npm needs.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const lockFile = fileURLToPath(new URL('../package-lock.json', import.meta.url))

/** Node's names for systems and processors, as they stand in the names of binary packages. */
const SYSTEMS = [
  'aix',
  'android',
  'darwin',
  'freebsd',
  'linux',
  'linuxmusl',
  'netbsd',
  'openbsd',
  'openharmony',
  'sunos',
  'win32',
  'wasm32',
]
const PROCESSORS = [
  'arm',
  'arm64',
  'ia32',
  'loong64',
  'mips64el',
  'ppc64',
  'ppc64le',
  'riscv64',
  's390x',
  'x64',
  'wasm32',
]

/** `@img/sharp-linuxmusl-arm64` → { os: ['linux'], cpu: ['arm64'], libc: ['musl'] }. */
export function platformOf(name) {
  const words = name.split(/[/-]/)
  const system = words.find((word) => SYSTEMS.includes(word))
  const processor = words.find((word) => PROCESSORS.includes(word))
  const musl = system === 'linuxmusl' || words.includes('musl')
  return {
    ...(system && system !== 'wasm32' ? { os: [system === 'linuxmusl' ? 'linux' : system] } : {}),
    ...(processor ? { cpu: [processor] } : {}),
    ...(musl ? { libc: ['musl'] } : words.includes('gnu') ? { libc: ['glibc'] } : {}),
  }
}

/** The lock with a stub for each optional dependency that it names but does not hold. */
export function completeLock(lock) {
  const packages = { ...lock.packages }
  const added = []
  for (const entry of Object.values(lock.packages)) {
    for (const [name, range] of Object.entries(entry.optionalDependencies ?? {})) {
      const at = `node_modules/${name}`
      // A range here would be a real dependency that failed to install, which a stub must not hide.
      if (packages[at] || !/^\d+\.\d+\.\d+/.test(range)) continue
      packages[at] = { version: range, optional: true, ...platformOf(name) }
      added.push(`${name}@${range}`)
    }
  }
  const sorted = Object.fromEntries(Object.entries(packages).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)))
  return { lock: { ...lock, packages: sorted }, added }
}

/** Entries of a lock that say nothing by which their package could be told from another one of the same name. */
export const withoutIntegrity = (lock) =>
  Object.entries(lock.packages)
    // Packages of this checkout itself are no downloads.
    .filter(([at, entry]) => at.includes('node_modules/') && !entry.link && !entry.integrity)
    .map(([at, { version }]) => ({ at, name: at.slice(at.lastIndexOf('node_modules/') + 13), version }))

/**
 * Gives each entry without one the integrity and the address that the registry has for that version.
 * @param ask `(name, version) → { integrity, tarball }`, or null where the registry does not say
 * @returns names that are still without
 */
export async function addIntegrity(lock, ask) {
  const left = []
  for (const { at, name, version } of withoutIntegrity(lock)) {
    const dist = await ask(name, version)
    if (dist) Object.assign(lock.packages[at], { resolved: dist.tarball, integrity: dist.integrity })
    else left.push(`${name}@${version}`)
  }
  return left
}

async function askRegistry(name, version) {
  const registry = process.env.npm_config_registry ?? 'https://registry.npmjs.org/'
  const answer = await fetch(new URL(`${name.replace('/', '%2f')}/${version}`, registry))
  if (!answer.ok) return null
  const { dist } = await answer.json()
  return dist?.integrity ? dist : null
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const before = readFileSync(lockFile, 'utf8')
  const { lock, added } = completeLock(JSON.parse(before))
  const left = await addIntegrity(lock, askRegistry)
  const after = `${JSON.stringify(lock, null, 2)}\n`
  if (after !== before) writeFileSync(lockFile, after)
  console.error(added.length ? `Stubs added:\n  ${added.join('\n  ')}` : 'No package was missing in the lock.')
  if (left.length > 0) {
    console.error(`The registry does not say the integrity of ${left.join(', ')}.`)
    process.exitCode = 1
  }
}
