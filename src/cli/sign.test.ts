import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { goodPage, goodSite } from '@/core/testing/good-site'
import { PEM_KEY, SSH_KEY, SSH_LINE } from '@/core/testing/keys'
import { commandIn } from './testing/command'
import { realImage, writeFiles } from './testing/real-site'
import { writtenRun } from './testing/written-run'

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
  await run('check', 'bad', '--signed-off', 'good-off.json', '--format', 'json=held.json', '--fail-on', 'never')
  expect(writtenRun(join(here, 'held.json')).signOff).toMatchObject({ by: 'Ada', differs: [expect.any(String)] })
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

describe('with a key', () => {
  beforeAll(async () => {
    writeFiles(here, {
      ada: SSH_KEY,
      'signers.txt': `Ada ${SSH_LINE}\n`,
      'others.txt': `Bob ${SSH_LINE}\n`,
      'other.pem': PEM_KEY,
    })
    await run('sign', 'good', '--by', 'Ada', '--key', 'ada', '--out', 'keyed.json')
  })
  const against = (signOff: string, ...more: string[]) => run('check', 'good', '--signed-off', signOff, ...more)
  const edited = (file: string, edit: (signOff: Record<string, unknown>) => Record<string, unknown>) => {
    const content = edit(JSON.parse(readFileSync(join(here, file), 'utf8')))
    writeFiles(here, { 'edited.json': JSON.stringify(content) })
    return 'edited.json'
  }

  test('a sign-off is of who it says, where somebody says who counts', async () => {
    const known = await against('keyed.json', '--signers', 'signers.txt')
    expect(known.code).toBe(0)
    expect(known.out).toContain('Signed with the key of Ada.')
    expect((await against('keyed.json')).out).toContain('checked against no signers file: the name Ada is not verified')
    const other = await against('keyed.json', '--signers', 'others.txt')
    expect(other.code).toBe(2)
    expect(other.err).toContain('It is not signed by Ada with a key that others.txt has for that name.')
  })

  test('one without a signature says so, and does not count where signatures do', async () => {
    expect((await against('good-off.json')).out).toContain('Signed without a key: the name Ada is not verified.')
    const { code, err } = await against('good-off.json', '--signers', 'signers.txt')
    expect(code).toBe(2)
    expect(err).toContain('the name Ada is not verified')
  })

  test('nobody signs under a name that the signers have with another key', async () => {
    const of = ['--by', 'Ada', '--key', 'other.pem', '--signers', 'signers.txt', '--out', 'no.json']
    const { code, err } = await run('sign', 'good', ...of)
    expect(code).toBe(2)
    expect(err).toContain('It is not signed by Ada')
    expect(existsSync(join(here, 'no.json'))).toBe(false)
  })

  test.each([
    ['no places', (one: Record<string, unknown>) => ({ ...one, surfaces: [] }), 'It names no place'],
    ['no pages', (one: Record<string, unknown>) => ({ ...one, pages: {} }), 'It names no page'],
    [
      'the digest of nothing for all pages',
      ({ pages, ...one }: Record<string, unknown>) => ({
        ...one,
        pages: Object.fromEntries(Object.keys(pages as object).map((path) => [path, '4f53cda18c2baa0c'])),
      }),
      'It has pages without cards',
    ],
    [
      'a digest of zeros',
      (one: Record<string, unknown>) => ({ ...one, content: `sha256:${'0'.repeat(64)}` }),
      'digest',
    ],
    ['a waiver more', (one: Record<string, unknown>) => ({ ...one, waivers: ['all'] }), 'digest'],
  ])('%s is nothing that anybody signed', async (_name, edit, fault) => {
    const { code, err } = await against(edited('good-off.json', edit))
    expect(code).toBe(2)
    expect(err).toContain(fault)
  })

  test('fewer places than there are cards for is another content', async () => {
    const few = edited('good-off.json', (one) => ({ ...one, surfaces: (one['surfaces'] as string[]).slice(1) }))
    const { code, out } = await against(few)
    expect(code).toBe(1)
    expect(out).toContain('pages have other cards than were signed')
  })
})
