import sharp from 'sharp'
import { describe, expect, test } from 'vitest'
import { createDecode } from '@/io/decoder/decoder'
import { isWholePicture, readImageHeader } from './read-header'

const plain = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: { r: 200, g: 80, b: 40, alpha: 0.5 } } })

const noise = (width: number, height: number) =>
  ({
    create: { width, height, channels: 3, background: '#888', noise: { type: 'gaussian', mean: 128, sigma: 60 } },
  }) as const

describe('size and format, against pictures written by another encoder', () => {
  test.each([
    ['jpeg', plain(1200, 630).jpeg()],
    ['jpeg', plain(333, 77).jpeg({ progressive: true })],
    ['png', plain(640, 480).png()],
    ['png', plain(640, 480).png({ palette: true })],
    ['gif', plain(91, 13).gif()],
    ['webp', plain(800, 418).webp()],
    ['webp', plain(801, 419, 4).webp({ lossless: true })],
    ['webp', plain(802, 420, 4).webp()],
    ['avif', plain(300, 157).avif()],
    ['tiff', plain(55, 66).tiff()],
  ] as const)('%s', async (format, picture) => {
    const bytes = await picture.toBuffer()
    const truth = await sharp(bytes).metadata()
    expect(readImageHeader(bytes)).toMatchObject({ kind: 'image', format, width: truth.width, height: truth.height })
  })

  test.each([1, 2, 3, 4, 5, 6, 7, 8])('a jpeg with orientation %i has the size it is seen in', async (orientation) => {
    const bytes = await plain(400, 200).withMetadata({ orientation }).jpeg().toBuffer()
    const isTurned = orientation >= 5
    expect(readImageHeader(bytes)).toMatchObject({ width: isTurned ? 200 : 400, height: isTurned ? 400 : 200 })
  })

  test('an animated gif and an animated webp say so', async () => {
    const frames = { raw: { width: 10, height: 20, channels: 3 as const, pageHeight: 10 } }
    const raw = Buffer.concat([Buffer.alloc(300, 0), Buffer.alloc(300, 255)])
    expect(readImageHeader(await sharp(raw, frames).gif().toBuffer())).toMatchObject({ format: 'gif', animated: true })
    expect(readImageHeader(await sharp(raw, frames).webp().toBuffer())).toMatchObject({
      format: 'webp',
      animated: true,
    })
  })
})

const text = (content: string) => new TextEncoder().encode(content)

describe('svg', () => {
  test.each([
    ['width and height', '<svg xmlns="x" width="120" height="60px"/>', 120, 60],
    ['other units at 96 dpi', '<svg width="1in" height="2.54cm"/>', 96, 96],
    ['the viewBox', '<?xml version="1.0"?><!-- art --><svg viewBox="0 0 300 157.5"/>', 300, 158],
    ['percentages give way to the viewBox', '<svg width="100%" height="100%" viewBox="0,0,40,30"/>', 40, 30],
    ['nothing', '<svg xmlns="x"><rect/></svg>', null, null],
    [
      'a doctype with an internal subset',
      '<!DOCTYPE svg [ <!ENTITY a "x>y"> <!-- ] > --> ]><svg width="40" height="30"/>',
      40,
      30,
    ],
    ['a > in a value', '<svg data-x="a>b" width="1.2e2" height="6E1"/>', 120, 60],
    ['a width, and the ratio of the viewBox', '<svg width="100" viewBox="0 0 200 50"/>', 100, 25],
    ['a height, and the ratio of the viewBox', '<svg height="100" viewBox="0 0 200 50"/>', 400, 100],
    ['a width and a free ratio', '<svg width="100" viewBox="0 0 200 50" preserveAspectRatio="none"/>', 300, 150],
    ['a width alone', '<svg width="100"/>', 100, 150],
    ['a height alone', '<svg height="70"/>', 300, 70],
    ['units of the font', '<svg width="10em" height="5rem"/>', 160, 80],
    ['signs and fractions', '<svg width="+5" height=".5e2"/>', 5, 50],
    ['a prefix', '<s:svg xmlns:s="x" width="33.6" height="44.4"/>', 34, 44],
  ])('%s', (_name, content, width, height) => {
    expect(readImageHeader(text(content))).toMatchObject({ kind: 'image', format: 'svg', width, height })
  })
})

describe('odd ones', () => {
  test('bmp, also one whose rows run downwards', () => {
    const bytes = new Uint8Array(64)
    bytes.set([0x42, 0x4d])
    const view = new DataView(bytes.buffer)
    view.setUint32(14, 40, true)
    view.setInt32(18, 320, true)
    view.setInt32(22, -200, true)
    expect(readImageHeader(bytes)).toMatchObject({ format: 'bmp', width: 320, height: 200 })
  })

  test('ico: the largest of its pictures, 0 meaning 256', () => {
    const bytes = new Uint8Array(6 + 32)
    bytes.set([0, 0, 1, 0, 2, 0, 16, 16])
    bytes.set([0, 0], 22)
    expect(readImageHeader(bytes)).toMatchObject({ format: 'ico', width: 256, height: 256 })
  })

  test('an error page is no image', () => {
    expect(readImageHeader(text('<!doctype html><h1>Not found</h1>'))).toEqual({ kind: 'not-image' })
  })

  test('nothing is empty', () => {
    expect(readImageHeader(new Uint8Array())).toEqual({ kind: 'empty' })
  })

  test('a header cut short anywhere is damaged or unknown, never a size', async () => {
    const bytes = await plain(1200, 630).png().toBuffer()
    for (let length = 8; length < 24; length++) {
      expect(readImageHeader(bytes.subarray(0, length))).toEqual({ kind: 'damaged', format: 'png' })
    }
    const photo = await plain(1200, 630).jpeg().toBuffer()
    expect(readImageHeader(photo.subarray(0, 20))).toEqual({ kind: 'damaged', format: 'jpeg' })
  })
})

describe('a picture that is given whole is there to its end, or it is damaged', () => {
  const pictures = {
    jpeg: () => plain(640, 400).jpeg().toBuffer(),
    'progressive jpeg': () => plain(640, 400).jpeg({ progressive: true }).toBuffer(),
    png: () => plain(640, 400).png().toBuffer(),
    gif: () => plain(64, 40).gif().toBuffer(),
    webp: () => plain(640, 400).webp().toBuffer(),
    avif: () => plain(640, 400).avif().toBuffer(),
  }

  test.each(Object.entries(pictures))('%s', async (name, make) => {
    const bytes = new Uint8Array(await make())
    const format = name.split(' ').at(-1) as keyof typeof pictures & 'jpeg'
    expect(isWholePicture(bytes, format)).toBe(true)
    // What follows the end is no part of the picture.
    if (format !== ('avif' as never)) expect(isWholePicture(new Uint8Array([...bytes, 0, 1, 2]), format)).toBe(true)
    for (const share of [0.3, 0.6, 0.95])
      expect(isWholePicture(bytes.subarray(0, Math.floor(bytes.length * share)), format)).toBe(false)
  })

  test('a gif without its closing sign, as some programs write it, is whole', async () => {
    const bytes = new Uint8Array(await plain(64, 40).gif().toBuffer())
    expect(isWholePicture(bytes.subarray(0, bytes.length - 1), 'gif')).toBe(true)
  })

  test('junk before a marker, and notes that make no sense, are no damage', async () => {
    const bytes = [...(await plain(640, 400).jpeg().toBuffer())]
    const brokenExif = [0xff, 0xe1, 0, 20, ...Buffer.from('Exif\0\0MM\0*\xff\xff\xff\xff', 'latin1'), 0, 0, 0, 0]
    const second = 4 + 256 * bytes[4]! + bytes[5]!
    for (const [at, added] of [
      [second, [1, 2, 3]],
      [2, brokenExif],
    ] as const) {
      const odd = new Uint8Array([...bytes.slice(0, at), ...added, ...bytes.slice(at)])
      expect(readImageHeader(odd)).toMatchObject({ kind: 'image', width: 640, height: 400 })
      expect(isWholePicture(odd, 'jpeg')).toBe(true)
    }
  })

  test('bytes that make no sense to a decoder are told apart from what can’t be decoded here', async () => {
    const bytes = new Uint8Array(await sharp(noise(200, 200)).png().toBuffer())
    bytes.fill(7, 200, 3000)
    expect(isWholePicture(bytes, 'png')).toBe(true)
    const decode = createDecode(new AbortController().signal)
    const lookOf = async (file: Uint8Array) => (await decode(file, { alpha: false, look: true })).look
    expect(await lookOf(bytes)).toBe('broken')
    expect(await lookOf(text('<svg width="4" height="4"/>'))).toBeNull()
  })
})
