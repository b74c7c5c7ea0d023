import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { faultOfFont } from './try-font'

type Table = { tag: string; bytes: Uint8Array }

/** Numbers as big-endian bytes: `[2, 0x0100]` takes two bytes. */
const packed = (...fields: [size: number, value: number][]): Uint8Array =>
  Uint8Array.from(
    fields.flatMap(([size, value]) =>
      Array.from(
        { length: size },
        (_, at) => Math.floor((value < 0 ? value + 2 ** (8 * size) : value) / 256 ** (size - 1 - at)) % 256,
      ),
    ),
  )

/** A TrueType file (OpenType 1.9) of some tables. */
function sfnt(tables: readonly Table[]): Uint8Array {
  let offset = 12 + tables.length * 16
  const head = [packed([4, 0x00010000], [2, tables.length], [2, 0], [2, 0], [2, 0])]
  for (const { tag, bytes } of tables) {
    head.push(new TextEncoder().encode(tag), packed([4, 0], [4, offset], [4, bytes.length]))
    offset += Math.ceil(bytes.length / 4) * 4
  }
  const bodies = tables.map(({ bytes }) => {
    const padded = new Uint8Array(Math.ceil(bytes.length / 4) * 4)
    padded.set(bytes)
    return padded
  })
  return Buffer.concat([...head, ...bodies])
}

/** Which letters there are (cmap, format 12): one row of them, from the first glyph on. */
const lettersFrom = (first: number, last: number): Table => {
  const head = packed([2, 0], [2, 1], [2, 3], [2, 10], [4, 12])
  const group = packed([2, 12], [2, 0], [4, 28], [4, 0], [4, 1], [4, first], [4, last], [4, 1])
  return { tag: 'cmap', bytes: Buffer.concat([head, group]) }
}

/** A font whose letters `a` and `b` are each made of the other, for ever. */
function loop(): Uint8Array {
  const composite = (of: number) =>
    packed([2, -1], [2, 0], [2, 0], [2, 100], [2, 100], [2, 0x0002], [2, of], [1, 0], [1, 0])
  const glyphs = [composite(1), composite(2), composite(1)]
  const glyf = Buffer.concat(glyphs.map((one) => Buffer.concat([one, Buffer.alloc((4 - (one.length % 4)) % 4)])))
  const step = glyf.length / glyphs.length
  return sfnt([
    lettersFrom(97, 98),
    { tag: 'glyf', bytes: glyf },
    {
      tag: 'head',
      bytes: packed(
        [4, 0x00010000],
        [4, 0],
        [4, 0],
        [4, 0x5f0f3cf5],
        [2, 0],
        [2, 1000],
        [8, 0],
        [8, 0],
        [2, 0],
        [2, 0],
        [2, 100],
        [2, 100],
        [2, 0],
        [2, 8],
        [2, 2],
        [2, 1],
        [2, 0],
      ),
    },
    {
      tag: 'hhea',
      bytes: packed(
        [4, 0x00010000],
        [2, 800],
        [2, -200],
        [2, 0],
        [2, 500],
        ...Array.from({ length: 11 }, () => [2, 0] as [number, number]),
        [2, 3],
      ),
    },
    { tag: 'hmtx', bytes: packed(...Array.from({ length: 3 }, () => [4, 500 * 65536] as [number, number])) },
    { tag: 'loca', bytes: packed(...Array.from({ length: 4 }, (_, at) => [4, at * step] as [number, number])) },
    {
      tag: 'maxp',
      bytes: packed([4, 0x00010000], [2, 3], ...Array.from({ length: 13 }, () => [2, 0] as [number, number])),
    },
  ])
}

/** A font that says that it has all letters there are, in one small table. */
const endless = () =>
  sfnt([
    lettersFrom(0, 0xfffffff0),
    ...['head', 'hhea', 'hmtx', 'loca', 'maxp', 'glyf'].map((tag) => ({ tag, bytes: new Uint8Array(54) })),
  ])

test('a font that ships is fit for use', async () => {
  const file = join(process.cwd(), 'node_modules/@fontsource/arimo/files/arimo-latin-400-normal.woff2')
  expect(await faultOfFont(readFileSync(file), 400)).toBeNull()
}, 60_000)

test.each([
  ['letters that are made of each other for ever', loop],
  ['more letters than there are', endless],
])(
  '%s end the process that tries them, and nothing else',
  async (_name, make) => {
    expect(await faultOfFont(make(), 400)).toMatch(/^It (?:breaks|takes more)|can’t be drawn/)
  },
  60_000,
)

test('what is no font is left to who opens it', async () => {
  expect(await faultOfFont(new TextEncoder().encode('no font'), 400)).toBeNull()
}, 60_000)
