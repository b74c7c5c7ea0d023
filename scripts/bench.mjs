// npm run bench [-- name …]: each benchmark prints what it measured beside a baseline from the same run.

import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ensurePackages, root } from './setup.mjs'

ensurePackages()
const { register } = await import('tsx/esm/api')
register({ tsconfig: join(root, 'tsconfig.json') })
const all = readdirSync(join(root, 'bench'))
  .filter((file) => file.endsWith('.bench.ts'))
  .map((file) => file.replace('.bench.ts', ''))
const wanted = process.argv.slice(2).length > 0 ? process.argv.slice(2) : all
for (const name of wanted) {
  if (!all.includes(name)) {
    console.error(`There is no benchmark “${name}”. There are: ${all.join(', ')}.`)
    process.exit(2)
  }
  console.log(`\n— ${name}`)
  const { run } = await import(pathToFileURL(join(root, 'bench', `${name}.bench.ts`)).href)
  await run()
}
