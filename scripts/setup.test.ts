import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { afterAll, expect, test } from 'vitest'
import { arePackagesInstalled, root } from './setup.mjs'

const at = mkdtempSync(join(tmpdir(), 'setup-'))
afterAll(() => rmSync(at, { recursive: true }))

test('packages are installed for the lock file that was there then, whatever the times of the files say', () => {
  mkdirSync(join(at, 'node_modules'))
  writeFileSync(join(at, 'package-lock.json'), '{}')
  expect(arePackagesInstalled(at)).toBe(false)
  writeFileSync(
    join(at, 'node_modules', '.installed-for'),
    '44136fa355b3678a1146ad16f7e8649e94fb4fc21fe77e8310c060f61caaff8a',
  )
  expect(arePackagesInstalled(at)).toBe(true)
  writeFileSync(join(at, 'package-lock.json'), '{"changed":true}')
  expect(arePackagesInstalled(at)).toBe(false)
})

test('packages that somebody installed with npm are there as well, all that the lock file names but those for other systems', () => {
  const other = mkdtempSync(join(at, 'npm-'))
  mkdirSync(join(other, 'node_modules'))
  const lock = (packages: object) => JSON.stringify({ packages: { '': {}, ...packages } })
  const wanted = { 'node_modules/a': { version: '1.2.3' }, 'node_modules/b': { version: '4.0.0', optional: true } }
  writeFileSync(join(other, 'package-lock.json'), lock(wanted))
  expect(arePackagesInstalled(other)).toBe(false)
  const own = join(other, 'node_modules', '.package-lock.json')
  writeFileSync(own, lock({ 'node_modules/a': { version: '1.2.3' } }))
  expect(arePackagesInstalled(other)).toBe(true)
  writeFileSync(own, lock({ 'node_modules/a': { version: '1.2.2' } }))
  expect(arePackagesInstalled(other)).toBe(false)
  writeFileSync(own, '{')
  expect(arePackagesInstalled(other)).toBe(false)
})

test('what sets up runs once at a time, also when several find a lock that was left behind', async () => {
  const ROUNDS = 6
  const rounds = Array.from({ length: ROUNDS }, (_, round) => join(at, `round-${round}`))
  for (const round of rounds) {
    mkdirSync(round)
    writeFileSync(join(round, '.setup-lock'), '999999999')
  }
  // All processes ask in the same millisecond: only then do they see the same dead owner.
  const script = `
    import { appendFileSync } from 'node:fs'
    import { underLock } from ${JSON.stringify(pathToFileURL(join(root, 'scripts/setup.mjs')).href)}
    const rounds = ${JSON.stringify(rounds)}
    for (const [index, round] of rounds.entries()) {
      while (Date.now() < ${Date.now() + 1000} + index * 400);
      underLock(() => {
        appendFileSync(round + '/log', 'in ')
        Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 5)
        appendFileSync(round + '/log', 'out ')
      }, round)
    }`
  const one = () =>
    new Promise((resolve) =>
      spawn(process.execPath, ['--input-type=module', '--eval', script], { cwd: at, stdio: 'inherit' }).on(
        'exit',
        resolve,
      ),
    )
  expect(await Promise.all([one(), one(), one()])).toEqual([0, 0, 0])
  for (const round of rounds) expect(readFileSync(join(round, 'log'), 'utf8')).toBe('in out in out in out ')
}, 20_000)
