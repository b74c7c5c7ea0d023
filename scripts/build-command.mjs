// Builds packages/nimble-parrot: the command and its programming interface as they are published.
import { spawnSync } from 'node:child_process'
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { declarationsOf } from './declarations.mjs'
import { notices } from './notices.mjs'
import { root } from './setup.mjs'

export const packageFolder = join(root, 'packages', 'nimble-parrot')

/** What a bundle needs of the old module system: some packages ask for Node's own modules by it. */
const REQUIRE =
  "import { createRequire as requireFor } from 'node:module'; const require = requireFor(import.meta.url);"

async function bundle(entryPoints, outdir) {
  const { build } = await import('esbuild')
  await build({
    entryPoints,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    // A package that has both is taken as modules: what loads its parts by name at run time can't be bundled.
    mainFields: ['module', 'main'],
    format: 'esm',
    target: 'node20',
    // Both start or load files of their own.
    external: ['sharp', 'tinypool'],
    minifySyntax: true,
    minifyWhitespace: true,
    tsconfig: join(root, 'tsconfig.json'),
    banner: { js: REQUIRE },
    legalComments: 'linked',
    logLevel: 'error',
  })
}

const COMMANDS = ['check', 'compare', 'refit', 'cards', 'compose', 'list', 'init', 'sign']

/** What the command says when it is asked for help, by command; '' is the whole. */
function helpOf(cli) {
  const said = (...args) => spawnSync(process.execPath, [cli, ...args], { encoding: 'utf8' }).stdout
  return {
    version: said('--version'),
    help: Object.fromEntries([['', said('--help')], ...COMMANDS.map((command) => [command, said(command, '--help')])]),
  }
}

/** Schemas with an address of their own, and with the ids of all checks, so that an editor can complete them. */
async function schemas() {
  const folder = join(packageFolder, 'schemas')
  mkdirSync(folder, { recursive: true })
  const made = spawnSync(process.execPath, ['--import', 'tsx', join(root, 'scripts', 'print-schemas.ts')], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 64_000_000,
  })
  if (made.status !== 0) throw new Error(made.stderr)
  for (const [name, schema] of Object.entries(JSON.parse(made.stdout)))
    writeFileSync(join(folder, name), `${JSON.stringify(schema, null, 2)}\n`)
}

/** What the command runs from: its bundle, the processes that it starts, and the face that cards are set in. */
export async function bundleCommand(dist) {
  rmSync(dist, { recursive: true, force: true })
  await bundle(
    [
      { in: join(root, 'src/cli/main.ts'), out: 'cli' },
      { in: join(root, 'src/api/index.ts'), out: 'index' },
      { in: join(root, 'src/cli/threads/judge-thread.ts'), out: 'judge-thread' },
      { in: join(root, 'src/io/compose/font-process.mjs'), out: 'font-process' },
    ],
    dist,
  )
  copyFileSync(join(root, 'src/io/decoder/decoder-process.mjs'), join(dist, 'decoder-process.mjs'))
  // The face that cards are set in, upright and in the weights that they use.
  const face = join(root, 'node_modules', '@fontsource', 'arimo')
  mkdirSync(join(dist, 'faces', 'files'), { recursive: true })
  copyFileSync(join(face, 'unicode.json'), join(dist, 'faces', 'unicode.json'))
  for (const name of readdirSync(join(face, 'files')))
    if (/-(?:400|500|600|700)-normal\.woff2$/.test(name))
      copyFileSync(join(face, 'files', name), join(dist, 'faces', 'files', name))
}

export async function buildCommand() {
  const dist = join(packageFolder, 'dist')
  await bundleCommand(dist)
  writeFileSync(join(dist, 'words.json'), JSON.stringify(helpOf(join(dist, 'cli.mjs'))))
  writeFileSync(join(dist, 'bin.mjs'), readFileSync(join(packageFolder, 'bin.mjs')), { mode: 0o755 })
  writeFileSync(join(dist, 'index.d.mts'), declarationsOf(join(root, 'src/api/index.ts')))
  writeFileSync(join(dist, 'NOTICES.txt'), notices())
  await schemas()
}

if (pathToFileURL(process.argv[1] ?? '').href === import.meta.url || process.argv[1] === fileURLToPath(import.meta.url))
  await buildCommand()
