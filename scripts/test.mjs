// npm test: installs what is missing, then types, lint, unit tests and the real interface in Debian's Chromium.
import { join } from 'node:path'
import { ensureChromium, ensurePackages, ensureParallel, root, run } from './setup.mjs'

ensurePackages()
const chromium = ensureChromium()
ensureParallel()
const bin = (name) => join(root, 'node_modules', '.bin', name)
const env = { ...process.env, CHROMIUM_PATH: chromium, NEXT_TELEMETRY_DISABLED: '1' }

for (const [what, command, args] of [
  ['types', bin('tsc'), ['--noEmit']],
  ['types of the core, which knows neither browser nor Node', bin('tsc'), ['--noEmit', '-p', 'src/core/tsconfig.json']],
  ['lint', bin('biome'), ['check', '.', '--error-on-warnings']],
  ['what nothing uses', bin('knip'), ['--no-config-hints']],
  ['unit tests', bin('vitest'), ['run']],
  ['the packages, installed elsewhere and used', process.execPath, ['scripts/prove-packages.mjs']],
  ['the interface in Chromium', bin('playwright'), ['test']],
]) {
  console.log(`\n— ${what}`)
  run(command, args, { env })
}
