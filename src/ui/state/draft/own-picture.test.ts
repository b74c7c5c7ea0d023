import sharp from 'sharp'
import { describe, expect, test } from 'vitest'
import { ownPictureAddress, readOwnPicture } from './own-picture'

const png = new Uint8Array(
  await sharp({ create: { width: 40, height: 30, channels: 3, background: '#a00' } })
    .png()
    .toBuffer(),
)

const SITE = 'https://site.example/docs/'
const image = (url: string, hash = 'x', iconOnly = false) => [url, { url, hash, iconOnly }] as const
const at = (name: string, images: readonly (readonly [string, { url: string; hash: string; iconOnly: boolean }])[]) =>
  ownPictureAddress(name, 'png', 'mine', SITE, new Map(images))

describe('where a picture of one’s own goes', () => {
  test('into the folder of most images of the site; icons and pictures elsewhere count nothing', () => {
    const images = [
      image(`${SITE}share/a.png`),
      image(`${SITE}share/b.png`),
      image(`${SITE}x/c.png`),
      image('https://cdn.example/y/1.png'),
      image(`${SITE}icons/1.png`, 'x', true),
    ]
    expect(at('My lamp, lit.PNG', images)).toBe(`${SITE}share/my-lamp-lit.png`)
    expect(at('My lamp.png', [])).toBe(`${SITE}img/my-lamp.png`)
  })

  test('beside another of its name, and where it is already', () => {
    const taken = [image(`${SITE}img/lamp.png`, 'other')]
    expect(at('lamp.png', taken)).toBe(`${SITE}img/lamp-2.png`)
    expect(at('lamp.png', [...taken, image(`${SITE}img/lamp-2.png`, 'mine')])).toBe(`${SITE}img/lamp-2.png`)
  })

  test.each(['', '...', '../../etc/passwd', 'a/b\\c.png', '日本.png', '%2e%2e%2f.png', 'a?b#c.png'])(
    'never out of its folder: %j',
    (name) => {
      const url = at(name, [])
      expect(url).toMatch(/^https:\/\/site\.example\/docs\/img\/[\w-]+\.png$/)
    },
  )
})

describe('what is taken', () => {
  const named = (bytes: Uint8Array, name: string) =>
    Object.assign(new Blob([bytes as Uint8Array<ArrayBuffer>]), { name })

  test('an image by what it is, not by its name', async () => {
    expect(await readOwnPicture(named(png, 'x.jpg'))).toMatchObject({ format: 'png', width: 40, height: 30 })
  })

  test.each([
    ['nothing', new Uint8Array(), /is empty/],
    ['a text', new TextEncoder().encode('<html>'), /is not an image/],
    ['half an image', png.slice(0, 40), /damaged or cut short/],
    [
      'a bitmap',
      new Uint8Array([0x42, 0x4d, ...new Array(60).fill(1)]),
      /BMP, which places do not show|damaged|not an image/,
    ],
  ])('%s is refused, with what it is', async (_name, bytes, words) => {
    await expect(readOwnPicture(named(bytes, 'file.png'))).rejects.toThrow(words)
  })

  test('what is too heavy to be kept is refused before it is read', async () => {
    const heavy = { name: 'big.png', size: 900_000_000, arrayBuffer: () => Promise.reject(new Error('read')) }
    await expect(readOwnPicture(heavy as unknown as Blob)).rejects.toThrow(/big\.png has 900 MB/)
  })
})
