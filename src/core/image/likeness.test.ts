import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { createDecode } from '@/io/decoder/decoder'
import { groupAlike, LOOK_SIDE, type Look, type Looked, lookAsText, lookFromText } from './likeness'

/** A drawing that nothing else looks like: shapes placed by a seed. */
function drawing(seed: number, { title = '', width = 1200, height = 630 } = {}): Buffer {
  let state = seed * 2654435761
  const random = (most: number) => {
    state = (Math.imul(state ^ (state >>> 15), 2246822519) + 374761393) >>> 0
    return state % most
  }
  const shapes = Array.from({ length: 14 }, () => {
    const color = `rgb(${random(256)},${random(256)},${random(256)})`
    return random(2) === 0
      ? `<circle cx="${random(width)}" cy="${random(height)}" r="${40 + random(180)}" fill="${color}"/>`
      : `<rect x="${random(width)}" y="${random(height)}" width="${60 + random(400)}" height="${40 + random(260)}" fill="${color}"/>`
  }).join('')
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#dde"/>${shapes}${title}</svg>`,
  )
}

/** Letters as blocks: a test must not hang on the fonts of a machine. */
function letters(seed: number): string {
  const bars = Array.from({ length: 26 }, (_, index) => {
    const height = 30 + ((seed * 7 + index * index * 13) % 5) * 14
    return (seed + index * 3) % 4 === 0
      ? ''
      : `<rect x="${90 + index * 38}" y="${360 - height}" width="26" height="${height}" fill="#fff"/>`
  }).join('')
  return `<rect x="60" y="230" width="1080" height="170" fill="#123"/>${bars}`
}

const decode = createDecode(new AbortController().signal)
const lookOf = async (bytes: Buffer) => (await decode(bytes, { alpha: false, look: true })).look as Look

async function looked(id: string, bytes: Buffer): Promise<Looked> {
  const { width = 0, height = 0 } = await sharp(bytes).metadata()
  return { id, look: await lookOf(bytes), width, height }
}

const jpeg = (svg: Buffer, quality = 90) => sharp(svg).jpeg({ quality }).toBuffer()

describe('groupAlike', { timeout: 60_000 }, () => {
  it('finds copies that were resized, recompressed, cut to a card’s shape, or had a rim taken off', async () => {
    for (const seed of [1, 2, 3]) {
      const original = await jpeg(drawing(seed))
      const pictures = await Promise.all([
        looked('original', original),
        looked('small', await sharp(original).resize(420).toBuffer()),
        looked('poor', await jpeg(drawing(seed), 28)),
        looked('as webp', await sharp(original).resize(900).webp({ quality: 60 }).toBuffer()),
        looked('square', await sharp(original).resize(500, 500, { fit: 'cover' }).toBuffer()),
        looked('tall', await sharp(original).resize(400, 600, { fit: 'cover' }).toBuffer()),
        looked('rim off', await sharp(original).extract({ left: 60, top: 31, width: 1080, height: 567 }).toBuffer()),
        looked('another', await jpeg(drawing(seed + 50))),
      ])
      expect(groupAlike(pictures), `seed ${seed}`).toEqual([
        ['original', 'small', 'poor', 'as webp', 'square', 'tall', 'rim off'],
      ])
    }
  })

  it('takes pictures from one template, with other letters on them, for two', async () => {
    const pictures = await Promise.all(
      [1, 2, 3, 4].map(async (seed) => looked(`title ${seed}`, await jpeg(drawing(9, { title: letters(seed) })))),
    )
    expect(groupAlike(pictures)).toEqual([])
  })

  it('takes pictures that differ in one letter for two, and one encoded again at the same size for one', async () => {
    // A figure of 20 by 40 px whose lower bowl is closed or open: as a 6 and a 5 differ.
    const figure = (closed: boolean) =>
      `${letters(3)}<path d="M980 300h24v8h-16v8h16v24h-24v-8h16v-8h-16z" fill="#fff"/>${closed ? '<rect x="980" y="316" width="8" height="24" fill="#fff"/>' : ''}`
    const [five, six] = [drawing(9, { title: figure(false) }), drawing(9, { title: figure(true) })]
    const pictures = [
      await looked('5', await jpeg(five)),
      await looked('6', await jpeg(six)),
      await looked('5 again', await jpeg(five, 40)),
    ]
    expect(groupAlike(pictures)).toEqual([['5', '5 again']])
  })

  it('takes a drawing in other colours for another picture', async () => {
    const drawn = await jpeg(drawing(4))
    // Turned round the circle of colours, equally bright.
    const turned = await sharp(drawn).tint('#b070c0').jpeg().toBuffer()
    expect(groupAlike([await looked('drawn', drawn), await looked('in violet', turned)])).toEqual([])
  })

  it('has no group for plain pictures, which all look the same', async () => {
    const plain = (color: string) =>
      sharp({ create: { width: 600, height: 315, channels: 3, background: color } })
        .png()
        .toBuffer()
    const pictures = [await looked('grey', await plain('#888')), await looked('grey too', await plain('#898989'))]
    expect(groupAlike(pictures)).toEqual([])
  })

  it('finds a pair among three thousand without comparing all with all', () => {
    const noise = (seed: number) => {
      let state = seed + 1
      return Uint8Array.from({ length: LOOK_SIDE ** 2 + 72 }, (_, index) => {
        // Blotches of eight pixels: noise without any low frequency would be no picture that is taken.
        if (index % 8 === 0) state = (Math.imul(state, 1664525) + 1013904223) >>> 0
        return index < LOOK_SIDE ** 2 ? state >>> 24 : 128
      })
    }
    const crowd = Array.from({ length: 3000 }, (_, seed) => ({
      id: String(seed),
      look: noise(seed),
      width: 1200,
      height: 630,
    }))
    const dimmed = { ...crowd[2321]!, id: 'dimmed', look: crowd[2321]!.look.map((level) => Math.round(level * 0.97)) }
    expect(groupAlike([...crowd, dimmed])).toEqual([['2321', 'dimmed']])
  }, 60_000)

  it('groups none of 150 different drawings', async () => {
    const pictures = await Promise.all(
      Array.from({ length: 150 }, async (_, seed) =>
        looked(String(seed), await jpeg(drawing(seed + 100, { width: 600, height: 315 }))),
      ),
    )
    expect(groupAlike(pictures)).toEqual([])
  })
})

describe('a look as text', () => {
  it('comes back as it was; anything else is none', async () => {
    const look = (await lookOf(await jpeg(drawing(5)))) as Look
    expect(lookFromText(lookAsText(look))).toEqual(look)
    expect(lookFromText('AAAA')).toBeNull()
    expect(lookFromText(null)).toBeNull()
  })

  it('is not made of a drawing: no document is rendered', async () => {
    expect(await lookOf(drawing(5))).toBeNull()
  })
})
