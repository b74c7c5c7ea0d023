import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative, sep } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { gatherMemory, type MemoryBuild } from '@/core/testing/build-run'
import { expectProved, judged } from '@/core/testing/expect-proved'
import { manualSite, templateCollection } from './testing/built-sites'
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

  test.each([
    ['a manual in two languages', manualSite],
    ['templates from several hands', templateCollection],
  ])('a built site of another shape: %s', async (_what, make) => {
    const { site, files } = await make()
    const gathering = await gatherMemory(files, site)
    expectProved(gathering)
    expect(judged(gathering).causes.filter(({ proved }) => proved).length).toBeGreaterThan(2)
  })
})
