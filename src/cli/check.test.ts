import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, test } from 'vitest'
import { troubles } from '../../demo/generator/troubles'
import { fails } from './check'

const root = fileURLToPath(new URL('../..', import.meta.url))
const here = mkdtempSync(join(tmpdir(), 'parrot-'))
afterAll(() => rmSync(here, { recursive: true }))

/** Runs the command as a person would in a checkout, from another folder. */
function command(...args: string[]) {
  const result = spawnSync('npm', ['run', '--silent', 'check', '--prefix', root, '--', ...args], {
    cwd: here,
    encoding: 'utf8',
    env: { ...process.env, INIT_CWD: here },
    maxBuffer: 64_000_000,
  })
  return { code: result.status, out: result.stdout, err: result.stderr.replace(/^npm warn .*\n/gm, '') }
}

describe('nimble-parrot check', { timeout: 60_000 }, () => {
  test('the demo: one document on standard output, nothing on standard error, exit 1 for its errors', () => {
    const { code, out, err } = command(
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

  test('--fail-on never is 0; --out writes there and prints nothing', () => {
    const { code, out } = command(join(root, 'demo/site'), '--fail-on', 'never', '--out', 'run.txt')
    expect(code).toBe(0)
    expect(out).toBe('')
    expect(readFileSync(join(here, 'run.txt'), 'utf8')).toContain('Not clear:')
  })

  test.each([
    ['nothing there', ['no-such-folder'], /neither an http address nor a folder/],
    ['a bad level', ['.', '--fail-on', 'bad'], /error, warning, note or never|one of error, warning, note, never/],
    ['a bad number', ['.', '--max-pages', '0'], /whole number from 1 on/],
    ['a bad site', ['.', '--site', 'ftp://x'], /no http or https address/],
    ['no server', ['http://127.0.0.1:9/'], /Nothing answered at http:\/\/127\.0\.0\.1:9\//],
    ['no HTML', ['.'], /no HTML file/],
    ['no source', [], /missing required argument/],
  ])('%s: exit 2, one clear line', (_name, args, words) => {
    const { code, out, err } = command(...args)
    expect(code).toBe(2)
    expect(out).toBe('')
    expect(err).toMatch(words)
    expect(err.trim().split('\n')).toHaveLength(1)
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
