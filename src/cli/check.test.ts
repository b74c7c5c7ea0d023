import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { troubles } from '../../demo/generator/troubles'
import { fails } from './check'
import { commandIn, root, spawned } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'parrot-'))
afterAll(() => rmSync(here, { recursive: true }))

const run = commandIn(here)
const command = (...args: string[]) => run('check', ...args)

describe('nimble-parrot check', { timeout: 60_000 }, () => {
  test('the demo, in a process of its own: one document on standard output, nothing on standard error, exit 1', () => {
    const { code, out, err } = spawned(
      here,
      'check',
      join(root, 'demo/site'),
      '--site',
      'https://brasswick.example',
      '--format',
      'json',
    )
    const run = JSON.parse(out)
    expect(code).toBe(1)
    expect(err).toBe('')
    expect(run).toMatchObject({
      format: 'nimble-parrot-run',
      version: 1,
      source: { kind: 'folder', site: 'https://brasswick.example/' },
    })
    expect(run.pages).toHaveLength(48)
    const found = new Map<string, string[]>(
      run.pages.map((page: { file: string; findings: { rule: string }[] }) => [
        page.file,
        [...new Set(page.findings.map(({ rule }) => rule))].sort(),
      ]),
    )
    for (const { file, finds } of troubles) expect(found.get(file)).toEqual([...finds].sort())
  })

  test('--fail-on never is 0; --out writes there and prints nothing', async () => {
    const { code, out } = await command(join(root, 'demo/site'), '--fail-on', 'never', '--out', 'run.txt')
    expect(code).toBe(0)
    expect(out).toBe('')
    expect(readFileSync(join(here, 'run.txt'), 'utf8')).toContain('Not clear:')
  })

  test('several forms in one run; text goes to standard output; the baseline silences what it has', async () => {
    const site = join(root, 'demo/site')
    const { code, out } = await command(
      site,
      '--format',
      'json=run.json',
      '--format',
      'sarif=run.sarif',
      '--format',
      'junit=run.xml',
    )
    expect(code).toBe(1)
    expect(out).toContain('Not clear:')
    expect(JSON.parse(readFileSync(join(here, 'run.sarif'), 'utf8')).version).toBe('2.1.0')
    expect(readFileSync(join(here, 'run.xml'), 'utf8')).toMatch(/^<\?xml/)
    const run = JSON.parse(readFileSync(join(here, 'run.json'), 'utf8'))
    expect(run.causes.length).toBeGreaterThan(5)
    expect(run.causes[0]).toMatchObject({ section: '/people/*', level: 'error', pages: { length: 5 } })
    expect((await command(site, '--baseline', 'run.json', '--fail-on', 'note')).code).toBe(0)
  })

  test('a requirements file is found by itself in the working directory, and its faults are named', async () => {
    const site = join(root, 'demo/site')
    writeFileSync(
      join(here, 'nimble-parrot.json'),
      JSON.stringify({ levels: { 'title-cut': 'off' }, sections: { '/people/*': { kind: 'not-shared' } } }),
    )
    const { out } = await command(site, '--format', 'json')
    const rules = JSON.parse(out).pages.flatMap((page: { url: string; findings: { rule: string }[] }) =>
      page.url.includes('/people/') ? page.findings.map(({ rule }) => rule) : [],
    )
    expect(rules).not.toContain('og-image-missing')
    writeFileSync(join(here, 'nimble-parrot.json'), '{ "levles": {} }')
    const { code, err } = await command(site)
    expect(code).toBe(2)
    expect(err).toContain('levles: There is no such field. Is “levels” meant?')
    rmSync(join(here, 'nimble-parrot.json'))
  })

  test('--pictures header: no hash, no transparency, and what needs them is skipped', async () => {
    const { out } = await command(join(root, 'demo/site'), '--pictures', 'header', '--format', 'json')
    const run = JSON.parse(out)
    expect(run.images.every(({ hash }: { hash: string | null }) => hash === null)).toBe(true)
    expect(run.images.some(({ width }: { width: number | null }) => width === 1200)).toBe(true)
    expect(
      run.pages.some(({ skipped }: { skipped: { reason: string }[] }) =>
        skipped.some(({ reason }) => reason === 'picture-not-read-whole'),
      ),
    ).toBe(true)
  })

  test.each([
    ['nothing there', ['no-such-folder'], /neither an http address nor a folder/],
    ['a bad level', ['.', '--fail-on', 'bad'], /error, warning, note or never|one of error, warning, note, never/],
    ['a bad number', ['.', '--max-pages', '0'], /whole number from 1 on/],
    ['a bad site', ['.', '--site', 'ftp://x'], /no http or https address/],
    ['no server', ['http://127.0.0.1:9/'], /Nothing answered at http:\/\/127\.0\.0\.1:9\//],
    ['no HTML', ['.'], /no HTML file/],
    ['a bad format', ['.', '--format', 'sarf'], /Is sarif meant\?/],
    ['a format without its file', ['.', '--format', 'csv='], /file’s name belongs after csv=/],
    [
      'two formats for one place',
      ['.', '--format', 'json', '--format', 'csv'],
      /Only one --format can go to standard output/,
    ],
    ['no requirements file', ['.', '--rules', 'none.json'], /requirements file none\.json can’t be read/],
    ['no baseline', ['.', '--baseline', 'none.json'], /baseline none\.json can’t be read/],
    ['no source', [], /missing required argument/],
  ])('%s: exit 2, one clear line', async (_name, args, words) => {
    const { code, out, err } = await command(...args)
    expect(code).toBe(2)
    expect(out).toBe('')
    expect(err).toMatch(words)
    expect(err.trim().split('\n')).toHaveLength(1)
  })
})

describe('nimble-parrot compare', { timeout: 60_000 }, () => {
  test('two runs of one build: nothing changed, exit 0; pages that went: exit 1', async () => {
    const site = join(root, 'demo/site')
    await command(site, '--format', 'json=a.json')
    await command(site, '--exclude', '/news/**', '--format', 'json=b.json')
    expect(await run('compare', 'a.json', 'a.json')).toMatchObject({ code: 0, out: 'Nothing changed.\n', err: '' })
    const { code, out } = await run('compare', 'a.json', 'b.json')
    expect(code).toBe(1)
    expect(out).toContain('5 pages removed')
  })

  test.each([
    ['nothing there', ['none.json', 'none.json'], /none\.json can’t be read/],
    ['no run document', [join(root, 'package.json'), 'a.json'], /no run document of version 1/],
    ['a bad format', ['a.json', 'a.json', '--format', 'csv'], /one of text, json, markdown, html/],
  ])('%s: exit 2', async (_name, args, words) => {
    expect(await run('compare', ...args)).toMatchObject({ code: 2, out: '', err: expect.stringMatching(words) })
  })
})

describe('fails', () => {
  const summary = (error: number, warning: number, note: number) => ({
    pages: 1,
    error,
    warning,
    note,
    clear: error === 0,
  })

  test.each([
    [summary(1, 0, 0), 'error', true],
    [summary(0, 5, 5), 'error', false],
    [summary(0, 1, 0), 'warning', true],
    [summary(0, 0, 1), 'warning', false],
    [summary(0, 0, 1), 'note', true],
    [summary(0, 0, 0), 'note', false],
    [summary(9, 9, 9), 'never', false],
  ] as const)('%j with --fail-on %s: %s', (given, failOn, expected) => {
    expect(fails(given, failOn)).toBe(expected)
  })
})
