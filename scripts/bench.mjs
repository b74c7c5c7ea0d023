// npm run bench [-- name …]: each benchmark prints what it measured beside a baseline from the same run.

import { readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { requirePackages, root } from './setup.mjs'

requirePackages()
const { build } = await import('esbuild')
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
  // Bundled as it ships: on the way through a loader every name of another module costs a look-up.
  const built = join(root, 'bench', `.built-${name}.mjs`)
  await build({
    entryPoints: [join(root, 'bench', `${name}.bench.ts`)],
    outfile: built,
    bundle: true,
    platform: 'node',
    // A package that has both is taken as modules: what loads its parts by name at run time can't be bundled.
    mainFields: ['module', 'main'],
    format: 'esm',
    external: ['@playwright/test', 'cheerio', 'htmlparser2', 'parse5', 'sharp', 'tinypool', 'undici'],
    banner: {
      js: "import { createRequire as requireFor } from 'node:module'; const require = requireFor(import.meta.url)",
    },
    logLevel: 'error',
  })
  const { run } = await import(pathToFileURL(built).href)
  await run()
  rmSync(built)
}
