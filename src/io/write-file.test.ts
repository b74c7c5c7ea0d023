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

test('below a folder a link at the end is replaced, one to a device too, and no name leads out', async () => {
  mkdirSync(at('ends'))
  writeFileSync(at('kept-whole'), 'untouched')
  symlinkSync(at('kept-whole'), at('ends/a.json'))
  symlinkSync('/dev/full', at('ends/b.json'))
  for (const name of ['a.json', 'b.json']) {
    await writeBelow(at('ends'), name, 'mine')
    expect(readFileSync(at(`ends/${name}`), 'utf8')).toBe('mine')
  }
  expect(readFileSync(at('kept-whole'), 'utf8')).toBe('untouched')
  for (const name of ['../out.json', '/out.json', 'a/../../out.json', 'a\\b', ''])
    await expect(writeBelow(at('ends'), name, 'x')).rejects.toThrow('can’t be packed')
  expect(readdirSync(at('ends')).sort()).toEqual(['a.json', 'b.json'])
})

test('a folder that is swapped for a link while files are written is not left through it', async () => {
  mkdirSync(at('swap/share'), { recursive: true })
  mkdirSync(at('elsewhere'))
  let isOver = false
  // What is written makes the folder anew where it finds none: not every turn of this can be made.
  const trying = (change: () => void) => {
    try {
      change()
    } catch {}
  }
  const swapping = (async () => {
    while (!isOver) {
      trying(() => rmSync(at('swap/share'), { recursive: true }))
      trying(() => symlinkSync(at('elsewhere'), at('swap/share')))
      await new Promise((resolve) => setImmediate(resolve))
      trying(() => rmSync(at('swap/share'), { recursive: true }))
      await new Promise((resolve) => setImmediate(resolve))
    }
  })()
  for (let time = 0; time < 200; time++) await writeBelow(at('swap'), `share/${time}.txt`, 'x').catch(() => undefined)
  isOver = true
  await swapping
  expect(readdirSync(at('elsewhere'))).toEqual([])
})

test('trying leaves nothing behind, and says what is in the way', async () => {
  await tryWriting(at('tried.txt'))
  expect(existsSync(at('tried.txt'))).toBe(false)
  await expect(tryWriting(at('no-folder/tried.txt'))).rejects.toThrow('ENOENT')
  await expect(tryWriting(at('dist'))).rejects.toThrow('it is a folder')
})
