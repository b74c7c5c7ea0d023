import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { gitDiff } from './git-diff'

const here = mkdtempSync(join(tmpdir(), 'nimble-parrot-diff-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))

const PAGE = '<html>\n<head>\n<title>Lamp</title>\n</head>\n<body>\n<p>x\n<p>y\n<p>z\n'

test.each([
  ['index.html', PAGE, PAGE.replace('Lamp', 'Ламп — 東')],
  ['a folder/with space.html', PAGE, PAGE.replace('Lamp', 'A')],
  ['guides/größe “x”.html', PAGE, PAGE.replace('<head>\n', '<head>\n<meta name="description" content="D">\n')],
  ['crlf.html', PAGE.replaceAll('\n', '\r\n'), PAGE.replaceAll('\n', '\r\n').replace('Lamp', 'Kettle')],
  ['open.html', PAGE.trimEnd(), PAGE.trimEnd().replace('<p>z', '<p>end')],
  ['one-line.html', '<title>a</title>', '<title>b</title>'],
])('git takes the difference of %s', (path, before, after) => {
  const file = join(here, path)
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, before)
  writeFileSync(join(here, 'cards.patch'), gitDiff({ path, before, after }))
  execFileSync('git', ['apply', '--whitespace=nowarn', 'cards.patch'], {
    cwd: here,
    env: { ...process.env, GIT_CEILING_DIRECTORIES: tmpdir() },
  })
  expect(readFileSync(file, 'utf8')).toBe(after)
})
