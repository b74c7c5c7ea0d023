import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { bytesOf, fillOf, focusOf, shapeOf } from './refit-arguments'
import { commandIn } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'refit-'))
const command = commandIn(here)
afterAll(() => rmSync(here, { recursive: true }))

beforeAll(async () => {
  // A picture with detail, so that weight follows quality; on its side, as a phone saves it.
  const noise = {
    width: 1400,
    height: 1000,
    channels: 3 as const,
    background: '#777',
    noise: { type: 'gaussian' as const, mean: 120, sigma: 25 },
  }
  const pixels = sharp({ create: noise })
  writeFileSync(join(here, 'photo.jpg'), await pixels.withMetadata({ orientation: 6 }).jpeg({ quality: 92 }).toBuffer())
  writeFileSync(
    join(here, 'small.png'),
    await sharp({ create: { width: 400, height: 400, channels: 4, background: '#0a7d4d80' } })
      .png()
      .toBuffer(),
  )
  writeFileSync(join(here, 'broken.jpg'), Buffer.from('ffd8ffe000104a464946', 'hex'))
})

const made = async (...args: string[]) => {
  const { code, out, err } = await command('refit', ...args)
  return { code, err, said: out === '' ? null : JSON.parse(out) }
}

describe('nimble-parrot refit', { timeout: 60_000 }, () => {
  test('writes the shape within the budget, says what it did, leaves no metadata', async () => {
    const { code, said } = await made('photo.jpg', '--shape', '1200x630', '--budget', '150kB', '--out', 'share.jpg')
    expect(code).toBe(0)
    expect(said).toMatchObject({
      out: 'share.jpg',
      width: 1200,
      height: 630,
      format: 'jpeg',
      enlarged: 1.2,
      crop: { x: 0, width: 1000, height: 525 },
    })
    const file = readFileSync(join(here, 'share.jpg'))
    expect(file.length).toBe(said.bytes)
    expect(said.bytes).toBeLessThanOrEqual(150_000)
    const { width, height, orientation, exif } = await sharp(file).metadata()
    expect({ width, height, orientation, exif }).toEqual({
      width: 1200,
      height: 630,
      orientation: undefined,
      exif: undefined,
    })
  })

  test('a budget that can’t be met: exit 1, the best try is written, and it is said', async () => {
    const { code, err, said } = await made('photo.jpg', '--shape', '1200x630', '--budget', '2kB', '--out', 'tiny.jpg')
    expect(code).toBe(1)
    expect(err).toMatch(/budget of 2000 bytes can’t be met/)
    expect(readFileSync(join(here, 'tiny.jpg')).length).toBe(said.bytes)
  })

  test('a hundred million pixels are worked on, and more are told as what they are', async () => {
    const plain = (width: number, height: number) =>
      sharp({ create: { width, height, channels: 3, background: '#808080' }, limitInputPixels: false }).jpeg({
        quality: 50,
      })
    await plain(10_000, 10_000).toFile(join(here, 'giant.jpg'))
    const giant = await made('giant.jpg', '--shape', '1200x630', '--focus', '0.5,1', '--out', 'of-giant.jpg')
    // The crop is told in pixels of the whole, though less of it is held.
    expect(giant.said).toMatchObject({ width: 1200, height: 630, crop: { x: 0, y: 4750, width: 10_000, height: 5250 } })
    expect(giant.said.enlarged).toBeNull()
    await plain(12_000, 10_000).toFile(join(here, 'larger.jpg'))
    const { code, err } = await command('refit', 'larger.jpg', '--shape', '1200x630', '--out', 'none.jpg')
    expect(code).toBe(2)
    expect(err).toContain('It has 12000 × 10000 pixels, 120 million; up to 100 million are worked on.')
  }, 30_000)

  test('focus moves the crop; a colour fills what is left', async () => {
    const top = await made('photo.jpg', '--shape', '1000x500', '--focus', '0.5,0', '--out', 'top.webp')
    expect(top.said).toMatchObject({ format: 'webp', crop: { y: 0 } })
    await made('small.png', '--shape', '800x400', '--fill', '#ff0000', '--out', 'filled.png')
    const { data } = await sharp(join(here, 'filled.png'))
      .extract({ left: 0, top: 0, width: 1, height: 1 })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    expect([...data]).toEqual([255, 0, 0])
  })

  test('itself, blurred, fills what is left: the whole picture stands before its own colours', async () => {
    const halves = await sharp({ create: { width: 300, height: 300, channels: 3, background: '#0000ff' } })
      .composite([
        { input: { create: { width: 150, height: 300, channels: 3, background: '#ff0000' } }, left: 0, top: 0 },
      ])
      .png()
      .toBuffer()
    writeFileSync(join(here, 'halves.png'), halves)
    const { said } = await made('halves.png', '--shape', '800x400', '--fill', 'blur', '--out', 'blurred.png')
    expect(said).toMatchObject({
      width: 800,
      height: 400,
      crop: { x: 0, y: 0, width: 300, height: 300 },
      enlarged: 1.33,
    })
    const { data } = await sharp(join(here, 'blurred.png')).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    const at = (x: number) => [...data.subarray((200 * 800 + x) * 3, (200 * 800 + x) * 3 + 3)]
    expect(at(20)).toEqual([255, 0, 0])
    expect(at(780)).toEqual([0, 0, 255])
    // Of the picture itself the edge between its halves is sharp; nothing else has it.
    expect([at(390), at(410)]).toEqual([
      [255, 0, 0],
      [0, 0, 255],
    ])
  })

  test.each([
    ['no picture there', ['none.jpg', '--shape', '10x10', '--out', 'x.jpg'], /none\.jpg can’t be read/],
    ['a broken one', ['broken.jpg', '--shape', '10x10', '--out', 'x.jpg'], /broken\.jpg can’t be decoded/],
    ['a bad shape', ['photo.jpg', '--shape', 'wide', '--out', 'x.jpg'], /as 1200x630/],
    ['no format', ['photo.jpg', '--shape', '10x10', '--out', 'x'], /says no format/],
    ['no out', ['photo.jpg', '--shape', '10x10'], /--out/],
  ])('%s: exit 2, one clear line', async (_name, args, words) => {
    const { code, err, said } = await made(...args)
    expect(code).toBe(2)
    expect(said).toBeNull()
    expect(err).toMatch(words)
  })
})

describe('arguments', () => {
  test.each([
    ['100kB', 100_000],
    ['100KiB', 102_400],
    ['0.5MB', 500_000],
    ['120000', 120_000],
  ])('%s is %d bytes', (text, bytes) => expect(bytesOf(text)).toBe(bytes))

  test('what makes no sense is refused', () => {
    for (const text of ['', '0', 'x', '-5kB', '5 stones']) expect(() => bytesOf(text), text).toThrow()
    for (const text of ['0x5', '99999x5', '1200', '1200x']) expect(() => shapeOf(text), text).toThrow()
    for (const text of ['0.5', '2,0', 'a,b', '0.1,0.2,0.3']) expect(() => focusOf(text), text).toThrow()
    for (const text of ['blurred', '#fff', 'red']) expect(() => fillOf(text), text).toThrow()
  })
})
