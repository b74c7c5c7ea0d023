import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { afterAll, expect, test } from 'vitest'
import { tryWriting, writeBelow, writeFileWhole } from './write-file'

const here = mkdtempSync(join(tmpdir(), 'parrot-write-'))
afterAll(() => rmSync(here, { recursive: true }))
const at = (name: string) => join(here, name)

function* failing() {
  yield 'half of it'
  throw new Error('the disk is full')
}

test('a file is there whole, or as it was before', async () => {
  writeFileSync(at('kept.txt'), 'good')
  await expect(writeFileWhole(at('kept.txt'), failing())).rejects.toThrow('the disk is full')
  expect(readFileSync(at('kept.txt'), 'utf8')).toBe('good')
  await writeFileWhole(at('kept.txt'), ['a', 'b'])
  expect(readFileSync(at('kept.txt'), 'utf8')).toBe('ab')
  await expect(writeFileWhole(at('none.txt'), failing())).rejects.toThrow('the disk is full')
  expect(readdirSync(here)).toEqual(['kept.txt'])
})

test('what may read a file may still read it; a name in .gz is packed', async () => {
  writeFileSync(at('mode.txt'), '')
  chmodSync(at('mode.txt'), 0o640)
  await writeFileWhole(at('mode.txt'), 'new')
  expect(statSync(at('mode.txt')).mode & 0o777).toBe(0o640)
  await writeFileWhole(at('mode.json.gz'), ['{', '}'])
  expect(gunzipSync(readFileSync(at('mode.json.gz'))).toString()).toBe('{}')
})

test('a link is replaced, and not written through; a device takes what is written', async () => {
  writeFileSync(at('victim'), 'untouched')
  symlinkSync(at('victim'), at('link.txt'))
  await writeFileWhole(at('link.txt'), 'mine')
  expect(readFileSync(at('victim'), 'utf8')).toBe('untouched')
  expect(readFileSync(at('link.txt'), 'utf8')).toBe('mine')
  await writeFileWhole('/dev/null', 'gone')
  await expect(writeFileWhole('/dev/full', 'x')).rejects.toThrow('ENOSPC')
})

test('below a folder no link on the way is followed', async () => {
  mkdirSync(at('outside'))
  mkdirSync(at('dist'))
  symlinkSync(at('outside'), at('dist/share'))
  await expect(writeBelow(at('dist'), 'share/a.png', 'x')).rejects.toThrow('is a link or a file, and no folder')
  expect(readdirSync(at('outside'))).toEqual([])
  await writeBelow(at('dist'), 'img/share/a.png', 'x')
  expect(readFileSync(at('dist/img/share/a.png'), 'utf8')).toBe('x')
})

test('trying leaves nothing behind, and says what is in the way', async () => {
  await tryWriting(at('tried.txt'))
  expect(existsSync(at('tried.txt'))).toBe(false)
  await expect(tryWriting(at('no-folder/tried.txt'))).rejects.toThrow('ENOENT')
  await expect(tryWriting(at('dist'))).rejects.toThrow('it is a folder')
})
