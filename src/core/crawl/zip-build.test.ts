import fc from 'fast-check'
import { deflateSync, strToU8, type Zippable, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
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
    const read = async (path: string) => new TextDecoder().decode((await files.read(path, 1e6)).body)
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

  /** Little-endian fields as they stand in a zip. */
  const fields = (...values: [number, number][]) =>
    values.flatMap(([bytes, value]) =>
      Array.from({ length: bytes }, (_, index) => Math.floor(value / 256 ** index) % 256),
    )

  /** A zip of one deflated block that any number of entries share. */
  function sharing(names: string[], content: Uint8Array, startOf: (index: number) => number = () => 0): Uint8Array {
    const packed = deflateSync(content, { level: 9 })
    const sizes: [number, number][] = [
      [4, 0],
      [4, packed.length],
      [4, content.length],
    ]
    const header = (at: number | null, name: string) => {
      const start: [number, number][] =
        at === null
          ? [[4, 0x04034b50]]
          : [
              [4, 0x02014b50],
              [2, 20],
            ]
      const end: [number, number][] =
        at === null
          ? [
              [2, name.length],
              [2, 0],
            ]
          : [
              [2, name.length],
              [8, 0],
              [4, 0],
              [4, at],
            ]
      if (at !== null) end.splice(1, 2, [2, 0], [2, 0], [2, 0], [2, 0], [4, 0])
      return [...fields(...start, [2, 20], [2, 0], [2, 8], [4, 0], ...sizes, ...end), ...strToU8(name)]
    }
    const local = [...header(null, names[0]!), ...packed]
    const central = names.flatMap((name, index) => header(startOf(index), name))
    const end = fields(
      [4, 0x06054b50],
      [2, 0],
      [2, 0],
      [2, names.length],
      [2, names.length],
      [4, central.length],
      [4, local.length],
      [2, 0],
    )
    return Uint8Array.from([...local, ...central, ...end])
  }

  test('one entry of the hand-made zip is read', async () => {
    const files = openZip(sharing(['a.html'], strToU8('<title>A</title>')))
    expect(new TextDecoder().decode((await files.read('a.html', 100)).body)).toBe('<title>A</title>')
  })

  test('entries that share their bytes are refused: each of them would unpack to all of it', () => {
    const names = Array.from({ length: 60 }, (_, index) => `page-${index}.html`)
    expect(() => openZip(sharing(names, new Uint8Array(400_000)))).toThrow(/shares its bytes with/)
  })

  test('an entry that reaches into the list of files is refused', () => {
    const bytes = sharing(['a.html'], strToU8('x'))
    // The packed size, which the entry says to be larger than what is there.
    const central = bytes.findIndex((_, at) => bytes[at] === 0x50 && bytes[at + 2] === 1 && bytes[at + 3] === 2)
    bytes[central + 20] = 200
    expect(() => openZip(bytes)).toThrow(/shares its bytes with the list of files/)
  })

  test('what unpacks to more than it says is refused when it does', async () => {
    const bytes = sharing(['a.html'], new Uint8Array(50_000))
    const central = bytes.findIndex((_, at) => bytes[at] === 0x50 && bytes[at + 2] === 1 && bytes[at + 3] === 2)
    bytes.set([10, 0, 0, 0], central + 24)
    await expect(openZip(bytes).read('a.html', 1e6)).rejects.toThrow(
      'a.html unpacks to more than the 10 bytes it says.',
    )
  })

  test('no more is unpacked than is wanted', async () => {
    const part = await openZip(zip({ 'a.html': 'abc'.repeat(100_000) })).read('a.html', 1000)
    expect([part.body.length, part.isCut, part.bytes]).toEqual([1000, true, 300_000])
  })

  test('a program that unpacks itself stands before its archive', async () => {
    const program = strToU8('#!/bin/sh and more of it')
    const files = openZip(Uint8Array.from([...program, ...zip({ 'index.html': 'x', 'b.html': 'bb' })]))
    expect(new TextDecoder().decode((await files.read('b.html', 10)).body)).toBe('bb')
  })

  test('whatever bytes are in it, it opens or says what it is', () => {
    const good = zip({ 'index.html': '<title>x</title>'.repeat(9), 'a/b.html': 'b' })
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        (changes) => {
          const bytes = good.slice()
          for (const [at, value] of changes) bytes[at] = value
          try {
            openZip(bytes)
          } catch (error) {
            expect(error).toBeInstanceOf(BadZip)
          }
        },
      ),
      runs(500),
    )
  })

  test('a file that is not in it can’t be read', async () => {
    await expect(openZip(zip({ 'index.html': 'x' })).read('none.html', 10)).rejects.toThrow(BadZip)
  })
})
