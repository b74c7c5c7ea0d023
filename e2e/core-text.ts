import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { build } from 'esbuild'

type CoreText = typeof import('../src/core/text/fit') & typeof import('../src/core/text/measure')

/** The measuring core for the test runner, whose loader takes no JSON modules as the application writes them. */
export async function loadCoreText(): Promise<CoreText> {
  const outfile = join(mkdtempSync(join(tmpdir(), 'core-text-')), 'text.mjs')
  const root = fileURLToPath(new URL('../src/core/text/', import.meta.url))
  const contents = "export * from './fit'; export * from './measure'"
  await build({ stdin: { contents, resolveDir: root }, outfile, bundle: true, format: 'esm', logLevel: 'error' })
  return import(pathToFileURL(outfile).href)
}
