import { deflateSync } from 'node:zlib'
import sharp, { type Sharp } from 'sharp'
import { describe, expect, test } from 'vitest'
import { readImageHeader } from './read-header'

const W = 173
const H = 97

const noise = (channels: 3 | 4 = 3) => {
  const bytes = Buffer.alloc(W * H * channels)
  for (let index = 0; index < bytes.length; index++) bytes[index] = (index * 2654435761) >>> 24
  return sharp(bytes, { raw: { width: W, height: H, channels } })
}
const opaque = () => noise(3)
const see = () => noise(4)
const grey = () => opaque().toColourspace('b-w')
const wide = () => opaque().toColourspace('rgb16')

/** Written by libvips and the encoders that it uses: mozjpeg, libpng, libspng, quantizr, cgif, libwebp, aom, libtiff. */
const files: [string, string, () => Sharp][] = [
  ['jpeg', 'baseline', () => opaque().jpeg()],
  ['jpeg', 'progressive', () => opaque().jpeg({ progressive: true })],
  ['jpeg', 'without chroma subsampling', () => opaque().jpeg({ chromaSubsampling: '4:4:4' })],
  ['jpeg', 'by mozjpeg', () => opaque().jpeg({ mozjpeg: true })],
  [
    'jpeg',
    'with restart intervals and trellis',
    () => opaque().jpeg({ trellisQuantisation: true, overshootDeringing: true }),
  ],
  ['jpeg', 'grey', () => grey().jpeg()],
  ['jpeg', 'cmyk', () => opaque().toColourspace('cmyk').jpeg()],
  ['jpeg', 'quality 1', () => opaque().jpeg({ quality: 1 })],
  ['jpeg', 'with a colour profile', () => opaque().withIccProfile('p3').jpeg()],
  [
    'jpeg',
    'with camera notes',
    () =>
      opaque()
        .withExif({ IFD0: { Copyright: 'Mending Hall '.repeat(400) } })
        .jpeg(),
  ],
  ['jpeg', 'on its side', () => opaque().withMetadata({ orientation: 8 }).jpeg()],
  ['jpeg', 'with xmp', () => opaque().withXmp('<x:xmpmeta xmlns:x="adobe:ns:meta/"/>').jpeg()],
  ['png', '8 bit', () => opaque().png()],
  ['png', '16 bit', () => wide().png()],
  ['png', 'interlaced', () => opaque().png({ progressive: true })],
  ['png', 'grey', () => grey().png()],
  ['png', 'see-through', () => see().png()],
  ['png', 'palette of 256', () => opaque().png({ palette: true })],
  ['png', 'palette of 16', () => opaque().png({ palette: true, colours: 16 })],
  ['png', 'palette of 2', () => opaque().png({ palette: true, colours: 2 })],
  ['png', 'see-through palette', () => see().png({ palette: true })],
  ['png', 'with a colour profile', () => opaque().withIccProfile('srgb').png()],
  ['png', 'with physical size', () => opaque().withMetadata({ density: 300 }).png()],
  ['gif', 'of 256 colours', () => opaque().gif()],
  ['gif', 'of 2 colours', () => opaque().gif({ colours: 2 })],
  ['gif', 'interlaced', () => opaque().gif({ progressive: true })],
  ['gif', 'see-through', () => see().gif()],
  ['webp', 'lossy', () => opaque().webp()],
  ['webp', 'lossy, see-through', () => see().webp()],
  ['webp', 'lossless', () => opaque().webp({ lossless: true })],
  ['webp', 'lossless, see-through', () => see().webp({ lossless: true })],
  ['webp', 'near lossless', () => opaque().webp({ nearLossless: true })],
  ['webp', 'with a colour profile', () => opaque().withIccProfile('p3').webp()],
  [
    'webp',
    'with notes',
    () =>
      opaque()
        .withExif({ IFD0: { Copyright: 'Hall' } })
        .webp(),
  ],
  ['avif', 'lossy', () => opaque().avif({ effort: 0 })],
  ['avif', 'see-through', () => see().avif({ effort: 0 })],
  ['avif', 'lossless', () => opaque().avif({ lossless: true, effort: 0 })],
  ['avif', 'without chroma subsampling', () => opaque().avif({ chromaSubsampling: '4:4:4', effort: 0 })],
  ['tiff', 'plain', () => opaque().tiff({ compression: 'none' })],
  ['tiff', 'lzw', () => opaque().tiff({ compression: 'lzw' })],
  [
    'tiff',
    'deflate, tiled',
    () => opaque().tiff({ compression: 'deflate', tile: true, tileWidth: 64, tileHeight: 64 }),
  ],
  ['tiff', 'jpeg inside', () => opaque().tiff({ compression: 'jpeg' })],
  [
    'tiff',
    'as a pyramid',
    () => opaque().tiff({ compression: 'deflate', pyramid: true, tile: true, tileWidth: 64, tileHeight: 64 }),
  ],
  ['tiff', '16 bit', () => wide().tiff({ compression: 'lzw' })],
  ['tiff', '1 bit', () => grey().tiff({ bitdepth: 1 })],
  ['tiff', 'big', () => opaque().tiff({ compression: 'none', bigtiff: true })],
]

describe('sizes of files by several encoders', { timeout: 60_000 }, () => {
  test.each(files)('%s, %s', async (format, _name, picture) => {
    const bytes = await picture().toBuffer()
    const { autoOrient } = await sharp(bytes).metadata()
    const read = readImageHeader(bytes)
    expect(read).toMatchObject({ kind: 'image', format, width: autoOrient.width, height: autoOrient.height })
    // A name or a type that lies changes nothing: the bytes alone are read, and other bytes after them don't matter.
    expect(readImageHeader(Buffer.concat([bytes, Buffer.from('<html>')]))).toEqual(read)
  })
})

/** A PNG chunk; its sum is not checked here. */
function chunk(type: string, data: Buffer): Buffer {
  const length = Buffer.alloc(4)
  length.writeUInt32BE(data.length)
  return Buffer.concat([length, Buffer.from(type, 'latin1'), data, Buffer.alloc(4)])
}

const SIGNATURE = Buffer.from('89504e470d0a1a0a', 'hex')
function ihdr(width: number, height: number): Buffer {
  const data = Buffer.alloc(13)
  data.writeUInt32BE(width, 0)
  data.writeUInt32BE(height, 4)
  data.set([8, 6, 0, 0, 0], 8)
  return chunk('IHDR', data)
}

test.each([
  ['cmyk', 'cmyk', () => opaque().toColourspace('cmyk').jpeg()],
  ['grey', 'a grey jpeg', () => grey().jpeg()],
  ['grey', 'a grey png', () => grey().png()],
  ['rgb', 'a jpeg', () => opaque().jpeg()],
  ['rgb', 'a palette', () => opaque().png({ palette: true })],
] as const)('colours: %s of %s', async (colors, _name, picture) => {
  expect(readImageHeader(await picture().toBuffer())).toMatchObject({ colors })
})

describe('files written by hand', () => {
  test('an animated PNG says so, a still one with a frame of its own doesn’t lose its size', () => {
    const idat = chunk('IDAT', deflateSync(Buffer.alloc(5)))
    const animated = Buffer.concat([SIGNATURE, ihdr(1, 1), chunk('acTL', Buffer.from('0000000200000000', 'hex')), idat])
    expect(readImageHeader(animated)).toMatchObject({ format: 'png', width: 1, height: 1, animated: true })
    const still = Buffer.concat([SIGNATURE, ihdr(7, 9), idat])
    expect(readImageHeader(still)).toMatchObject({ format: 'png', width: 7, height: 9, animated: false })
  })

  test('a pixel bomb is a size, and nothing is unpacked for it', () => {
    const bomb = Buffer.concat([SIGNATURE, ihdr(60_000, 60_000), chunk('IDAT', deflateSync(Buffer.alloc(1000)))])
    expect(readImageHeader(bomb)).toMatchObject({ format: 'png', width: 60_000, height: 60_000 })
  })

  test('a size of zero is damage', () => {
    expect(readImageHeader(Buffer.concat([SIGNATURE, ihdr(0, 100), chunk('IDAT', Buffer.alloc(2))]))).toEqual({
      kind: 'damaged',
      format: 'png',
    })
  })
})
