import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { goodPage, goodSite } from '@/core/testing/good-site'
import { commandIn } from './testing/command'
import { realImage, writeFiles } from './testing/real-site'

const here = mkdtempSync(join(tmpdir(), 'parrot-sign-'))
afterAll(() => rmSync(here, { recursive: true }))
const run = commandIn(here)

beforeAll(async () => {
  const names = ['Roses', 'Ferns', 'Mosses']
  const images = await Promise.all(names.map(async (name, index) => [`img/${name}.png`, await realImage(index)]))
  const site = { ...goodSite(), ...Object.fromEntries(images) }
  writeFiles(join(here, 'good'), site)
  writeFiles(join(here, 'bad'), { ...site, 'about.html': goodPage('about.html', 'Ferns', { 'og:title': null }) })
})

test('what is signed is shown, and a later run is held against it', async () => {
  const { code, out } = await run('sign', 'good', '--by', 'Ada', '--out', 'good-off.json')
  expect(code).toBe(0)
  expect(out).toMatch(/^Ada signs what the cards of \d+ pages of https:\/\/site\.example\/ show\n/)
  expect(out).toContain('with 0 errors')
  expect(JSON.parse(readFileSync(join(here, 'good-off.json'), 'utf8'))).toMatchObject({ by: 'Ada', errors: 0 })
  expect((await run('check', 'good', '--signed-off', 'good-off.json')).code).toBe(0)
  const changed = await run('check', 'bad', '--signed-off', 'good-off.json', '--fail-on', 'never')
  expect(changed.code).toBe(1)
  expect(changed.out).toContain('Another card than was signed: /about.html')
  expect(changed.out).toMatch(/^Not clear/)
})

test('a document is signed as the run that it is of', async () => {
  await run('check', 'good', '--format', 'json=run.json')
  await run('sign', 'run.json', '--by', 'Ada', '--out', 'run-off.json')
  const content = (file: string) => JSON.parse(readFileSync(join(here, file), 'utf8')).content
  expect(content('run-off.json')).toBe(content('good-off.json'))
})

test('where something is wrong it is signed for a reason alone', async () => {
  const { code, err } = await run('sign', 'bad', '--by', 'Ada', '--out', 'bad-off.json')
  expect(code).toBe(2)
  expect(err).toContain('Not signed: 1 error left. Say with --reason why')
  expect(() => readFileSync(join(here, 'bad-off.json'))).toThrow('ENOENT')
  expect((await run('sign', 'bad', '--by', 'Ada', '--reason', 'It is today', '--out', 'bad-off.json')).code).toBe(0)
  expect(JSON.parse(readFileSync(join(here, 'bad-off.json'), 'utf8'))).toMatchObject({
    errors: 1,
    reason: 'It is today',
  })
})
