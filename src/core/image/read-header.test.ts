import sharp from 'sharp'
import { describe, expect, test } from 'vitest'
import { readImageHeader } from './read-header'

const plain = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: { r: 200, g: 80, b: 40, alpha: 0.5 } } })

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
