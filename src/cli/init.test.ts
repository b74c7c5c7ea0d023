import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { goodPage } from '@/core/testing/good-site'
import { commandIn } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'parrot-init-'))
afterAll(() => rmSync(here, { recursive: true }))
const run = commandIn(here)
const read = (file: string) => readFileSync(join(here, file), 'utf8')

test('sections and site are those of the build; what is there is left as it is, and what is missing is written', async () => {
  mkdirSync(join(here, 'dist/guides'), { recursive: true })
  const article = { 'og:type': '<meta property="og:type" content="article">' }
  for (const name of ['a', 'b', 'c'])
    writeFileSync(join(here, `dist/guides/${name}.html`), goodPage(`guides/${name}.html`, `Guide ${name}`, article))
  const first = await run('init')
  expect(first).toMatchObject({
    code: 0,
    out: expect.stringContaining('Written: nimble-parrot.json. Its sections are those of ./dist: /guides/*.'),
  })
  const written = read('nimble-parrot.json')
  expect(JSON.parse(written)).toMatchObject({
    site: 'https://site.example/',
    sections: { '/guides/*': { kind: 'article' } },
  })
  const second = await run('init', '--workflow')
  expect(second.out).toContain(
    'Written: .github/workflows/cards.yml. There already, and left as it was: nimble-parrot.json.',
  )
  expect(read('nimble-parrot.json')).toBe(written)
  expect(read('.github/workflows/cards.yml')).toContain('nimble-parrot check ./dist')
  expect((await run('init', '--workflow')).out).toContain('Nothing was written.')
  expect((await run('check', 'dist', '--fail-on', 'never')).err).toBe('')
})

test('before there is a build, sections are left to be filled in', async () => {
  rmSync(join(here, 'nimble-parrot.json'))
  const { code, out } = await run('init', '--folder', './public', '--site', 'https://other.example')
  expect(code).toBe(0)
  expect(out).toContain('./public has no pages yet')
  expect(JSON.parse(read('nimble-parrot.json'))).toMatchObject({ site: 'https://other.example', sections: {} })
})
