import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative, sep } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { gatherMemory, type MemoryBuild } from '@/core/testing/build-run'
import { expectProved, judged } from '@/core/testing/expect-proved'
import { root } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'proved-'))
afterAll(() => rmSync(here, { recursive: true }))

/** Every file of a folder, by its path. */
function filesIn(folder: string): MemoryBuild {
  const paths = readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((path) => join(folder, path))
  const files = paths.filter((path) => statSync(path).isFile())
  return Object.fromEntries(
    files.map((path) => [relative(folder, path).split(sep).join('/'), new Uint8Array(readFileSync(path))]),
  )
}

describe('causes of built sites: carried out, they clear what they say, and nothing comes', { timeout: 60_000 }, () => {
  test('the demo', async () => {
    const gathering = await gatherMemory(filesIn(join(root, 'demo/site')), 'https://brasswick.example/')
    expectProved(gathering)
    const { causes } = judged(gathering)
    expect(causes[0]).toMatchObject({ where: 'section', proved: true, clears: { error: 15 } })
  })

  const elsewhere = join(root, '../shared/samples')
  test.runIf(existsSync(elsewhere)).each([
    ['starlight', 'https://guide.kestrelworks.example/'],
    ['npm-templates', 'https://templates.example/'],
  ])('a built site of another generator, %s', async (name, site) => {
    execFileSync('tar', ['xzf', join(elsewhere, `${name}.tar.gz`), '-C', here])
    expectProved(await gatherMemory(filesIn(join(here, name)), site))
  })
})
