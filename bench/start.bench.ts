import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { report } from './measure'

const ROUNDS = 7

/** The median time of a process, in ms, run in turns with the others so that a busy moment hits all of them. */
function medians(commands: Record<string, string[]>, cwd: string): Map<string, number> {
  const took = new Map<string, number[]>(Object.keys(commands).map((name) => [name, []]))
  for (let round = 0; round < ROUNDS; round++) {
    for (const [name, args] of Object.entries(commands)) {
      const at = performance.now()
      spawnSync(process.execPath, args, { cwd, stdio: 'ignore' })
      took.get(name)!.push(performance.now() - at)
    }
  }
  return new Map([...took].map(([name, all]) => [name, all.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!]))
}

/** The time from the start of the packed app to its first whole page, in ms. */
async function untilAnswer(bin: string, cwd: string): Promise<number> {
  const at = performance.now()
  const app = spawn(process.execPath, [bin, '--port', '0'], { cwd, stdio: ['ignore', 'pipe', 'ignore'] })
  let said = ''
  const address = await new Promise<string>((resolve) =>
    app.stdout.on('data', (piece) => {
      said += piece
      const found = /http:\/\/\S+/.exec(said)
      if (found) resolve(found[0])
    }),
  )
  await (await fetch(address)).text()
  const ms = performance.now() - at
  app.kill()
  return ms
}

/** How long the packed command takes to start, and to check the demo, beside a process that does nothing. */
export async function run(): Promise<void> {
  const root = process.cwd()
  const at = mkdtempSync(join(tmpdir(), 'start-'))
  try {
    const npm = (args: string[], cwd: string) => spawnSync('npm', args, { cwd, encoding: 'utf8' }).stdout
    spawnSync(process.execPath, [join(root, 'scripts', 'build-command.mjs')], { cwd: root, stdio: 'inherit' })
    npm(['pack', '--ignore-scripts', '--pack-destination', at], join(root, 'packages', 'nimble-parrot'))
    writeFileSync(join(at, 'package.json'), '{"private":true}')
    spawnSync(process.execPath, [join(root, 'scripts', 'build-app.mjs')], { cwd: root, stdio: 'ignore' })
    npm(['pack', '--ignore-scripts', '--pack-destination', at], join(root, 'release', 'nimble-parrot-app'))
    const tarballs = ['nimble-parrot', 'nimble-parrot-app'].map((name) => join(at, `${name}-0.1.0.tgz`))
    npm(['install', ...tarballs, '--ignore-scripts', '--no-audit', '--no-fund'], at)
    const bin = join(at, 'node_modules', 'nimble-parrot', 'dist', 'bin.mjs')
    const found = medians(
      {
        'node -e 0': ['-e', '0'],
        'nimble-parrot --help': [bin, '--help'],
        'nimble-parrot check --help': [bin, 'check', '--help'],
        'check of the demo (48 pages)': [bin, 'check', join(root, 'demo', 'site')],
        '--help from the checkout': [join(root, 'scripts', 'cli.mjs'), '--help'],
      },
      at,
    )
    const base = { name: 'node -e 0', ms: found.get('node -e 0')! }
    for (const [name, ms] of found) report(name, ms, name === base.name ? undefined : base)
    const app = join(at, 'node_modules', 'nimble-parrot-app', 'bin.mjs')
    const answers: number[] = []
    for (let round = 0; round < ROUNDS; round++) answers.push(await untilAnswer(app, at))
    report('nimble-parrot-app to its first page', answers.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!, base)
  } finally {
    rmSync(at, { recursive: true })
  }
}
