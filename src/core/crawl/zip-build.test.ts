import { strToU8, type Zippable, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { BadZip, commonFolder, openZip, safePath } from './zip-build'

const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])) as Zippable)

describe('safePath', () => {
  test.each([
    ['index.html', 'index.html'],
    ['./a/b.html', 'a/b.html'],
    ['a\\b.html', 'a/b.html'],
    ['a/', null],
    ['../etc/passwd', null],
    ['a/../../b', null],
    ['/etc/passwd', null],
    ['C:\\windows', null],
    ['a\0b', null],
    ['', null],
  ])('%j is %j', (name, expected) => {
    expect(safePath(name)).toBe(expected)
  })
})

test.each([
  [['site/index.html', 'site/a/b.html'], 'site/'],
  [['site/index.html', '__MACOSX/site/._index.html'], 'site/'],
  [['index.html', 'a/b.html'], ''],
  [[], ''],
])('the common folder of %j is %j', (paths, expected) => {
  expect(commonFolder(paths)).toBe(expected)
})

describe('openZip', () => {
  test('gives every file by its path below the common folder', async () => {
    const files = openZip(
      zip({ 'site/index.html': '<title>Home</title>', 'site/img/a.png': 'png', 'site/b.html': 'b' }),
    )
    expect(files.paths).toEqual(['b.html', 'img/a.png', 'index.html'])
    const read = async (path: string) => new TextDecoder().decode(await files.read(path))
    expect([await read('index.html'), await read('img/a.png'), await read('b.html'), await read('index.html')]).toEqual(
      ['<title>Home</title>', 'png', 'b', '<title>Home</title>'],
    )
  })

  test('names that lead out of the archive are left out', () => {
    expect(openZip(zip({ '../evil.html': 'x', 'index.html': 'y' })).paths).toEqual(['index.html'])
  })

  test('a bomb is refused before anything is unpacked', () => {
    const bomb = zipSync({ 'index.html': new Uint8Array(20_000_000) }, { level: 9 })
    expect(bomb.length).toBeLessThan(100_000)
    expect(() => openZip(bomb)).toThrow(/no page and no picture/)
  })

  test.each([
    ['no zip', strToU8('this is no zip')],
    ['nothing', new Uint8Array()],
    ['one cut short', zip({ 'index.html': 'x'.repeat(1000) }).subarray(0, 60)],
  ])('%s says so', (_name, bytes) => {
    expect(() => openZip(bytes)).toThrow(BadZip)
  })

  test('a file that is not in it can’t be read', async () => {
    await expect(openZip(zip({ 'index.html': 'x' })).read('none.html')).rejects.toThrow(BadZip)
  })
})
