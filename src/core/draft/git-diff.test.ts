import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { gitDiff } from './git-diff'

const here = mkdtempSync(join(tmpdir(), 'nimble-parrot-diff-'))
afterAll(() => rmSync(here, { recursive: true, force: true }))

const applyIn = (folder: string, patch: string) =>
  execFileSync('git', ['apply', '--whitespace=nowarn', patch], {
    cwd: folder,
    stdio: 'pipe',
    env: { ...process.env, GIT_CEILING_DIRECTORIES: tmpdir() },
  })

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
  applyIn(here, 'cards.patch')
  expect(readFileSync(file, 'utf8')).toBe(after)
})

test.each([
  [
    'a page that looks like a difference',
    '<p>x\n',
    '-- a/../../evil\n++ b/../../evil\ndiff --git a/x b/x\n@@ -1 +1 @@\n',
  ],
  ['lines that end a patch', 'x\n-- \n2.40.0\n', 'x\n-- \n2.41.0\n'],
  ['a carriage return in the middle', 'a\rb\nc\n', 'a\rB\nc\n'],
  ['a line separator', 'a\u2028b\n', 'a\u2028B\n'],
])('%s changes its own file alone', (_name, before, after) => {
  const folder = mkdtempSync(join(here, 'own-'))
  const path = 'inside/page.html'
  mkdirSync(join(folder, 'build/inside'), { recursive: true })
  writeFileSync(join(folder, 'build', path), before)
  writeFileSync(join(folder, 'cards.patch'), gitDiff({ path, before, after }))
  applyIn(join(folder, 'build'), '../cards.patch')
  expect(readFileSync(join(folder, 'build', path), 'utf8')).toBe(after)
  expect(readdirSync(folder).sort()).toEqual(['build', 'cards.patch'])
  expect(readdirSync(join(folder, 'build'))).toEqual(['inside'])
})

test.each([
  '../evil.html',
  'a/../../evil.html',
  '/evil.html',
  '.git/hooks/post-checkout',
  'a\nb/../../evil.html',
  'a"b/../../x.html',
])('a file that is called %j is written nowhere else by git', (path) => {
  const folder = mkdtempSync(join(here, 'out-'))
  mkdirSync(join(folder, 'build/a'), { recursive: true })
  const before = 'x\n'
  writeFileSync(join(folder, 'evil.html'), before)
  writeFileSync(join(folder, 'cards.patch'), gitDiff({ path, before, after: 'evil\n' }))
  expect(() => applyIn(join(folder, 'build'), '../cards.patch')).toThrow()
  expect(readFileSync(join(folder, 'evil.html'), 'utf8')).toBe(before)
  expect(readdirSync(join(folder, 'build'))).toEqual(['a'])
})
