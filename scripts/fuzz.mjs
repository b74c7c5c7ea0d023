// Looks for rare faults: the property tests with other inputs than usual, and many times as many.
// npm run fuzz [-- factor [files that hold these words …]]
import { execFileSync, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { requirePackages, root } from './setup.mjs'

const FACTOR = '20'

requirePackages()
const [factor = FACTOR, ...words] = process.argv.slice(2)
const files = execFileSync('git', ['grep', '-l', 'testing/property-runs', '--', 'src/*.test.ts'], { cwd: root })
  .toString()
  .split('\n')
  .filter((file) => file !== '' && words.every((word) => file.includes(word)))
const vitest = join(root, 'node_modules', 'vitest', 'vitest.mjs')
// The same inputs again: FUZZ_SEED=… npm run fuzz
const seed = process.env.FUZZ_SEED ?? String(Date.now() % 2 ** 31)
console.log(`Inputs from seed ${seed}, ${factor} times as many.`)
const { status } = spawnSync(process.execPath, [vitest, 'run', '--testTimeout', '3600000', ...files], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, FUZZ: factor, FUZZ_SEED: seed },
})
process.exit(status ?? 1)
