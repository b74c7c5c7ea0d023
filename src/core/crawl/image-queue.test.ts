import { describe, expect, it } from 'vitest'
import { limits } from '../address'
import { pngBytes } from '../testing/good-site'
import { lookByReading } from './image-queue'
import type { FetchResult, ReadRequest } from './read-address'

const [first, second, third] = limits.imageStartBytes
const outside = {
  digest: async () => 'sha256:all',
  decode: async () => ({ alpha: true, look: null }),
  pictures: 'header' as const,
}

/** A server with one file, which knows Range or doesn't, and what it was asked for. */
function serving(file: Uint8Array, knowsRange: boolean) {
  const asked: (number | 'all')[] = []
  const read = async ({ maxBytes, firstBytesOnly }: ReadRequest): Promise<FetchResult> => {
    const isPart = firstBytesOnly && knowsRange
    asked.push(firstBytesOnly ? maxBytes : 'all')
    const base = { kind: 'answered' as const, ms: 1 }
    if (isPart && file.length === 0) return { ...base, status: 416, headers: {}, body: file, isCut: false }
    const body = file.subarray(0, maxBytes)
    const isCut = file.length > maxBytes
    if (!isPart) return { ...base, status: 200, headers: { 'content-length': String(file.length) }, body, isCut }
    const headers = { 'content-range': `bytes 0-${body.length - 1}/${file.length}` }
    return { ...base, status: 206, headers, body, isCut: false }
  }
  return { asked, look: () => lookByReading(read, outside)('https://site.example/a.png', () => true) }
}

/** A JPEG whose camera wrote so many bytes of notes before the size. */
function jpegWithNotes(notes: number): Uint8Array {
  const parts = [0xff, 0xd8]
  for (let left = notes; left > 0; left -= 60_000) {
    const length = Math.min(left, 60_000)
    parts.push(0xff, 0xe5, (length + 2) >> 8, (length + 2) & 255, ...new Uint8Array(length))
  }
  parts.push(0xff, 0xc0, 0, 17, 8, 2, 0x76, 4, 0xb0, 3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1)
  return Uint8Array.from([...parts, ...new Uint8Array(200_000)])
}

describe('a picture of which the size alone is wanted', () => {
  it.each([true, false])(
    'is asked for its start, and weighed by what the server says (Range known: %s)',
    async (knows) => {
      const { asked, look } = serving(pngBytes(1200, 630, 300_000), knows)
      expect(await look()).toMatchObject({
        status: 200,
        format: 'png',
        width: 1200,
        height: 630,
        bytes: 300_000,
        hash: null,
        alpha: null,
        errorCode: null,
      })
      expect(asked).toEqual([first])
    },
  )

  it('is read on where notes stand before the size, and whole where they never end', async () => {
    const some = serving(jpegWithNotes(9000), true)
    expect(await some.look()).toMatchObject({ width: 1200, height: 630, errorCode: null })
    expect(some.asked).toEqual([first, second])
    const many = serving(jpegWithNotes(200_000), true)
    expect(await many.look()).toMatchObject({ width: 1200, height: 630, errorCode: null })
    expect(many.asked).toEqual([first, second, third, 'all'])
  })

  it('is no picture after a second look, not after all of a large error page', async () => {
    const page = new TextEncoder().encode(`<!doctype html>${'sorry '.repeat(100_000)}`)
    const { asked, look } = serving(page, true)
    expect((await look()).errorCode).toBe('not-image')
    expect(asked).toEqual([first, second])
  })

  it('small and broken is not asked for again; empty is told from broken', async () => {
    const broken = serving(pngBytes(10, 10).subarray(0, 20), true)
    expect((await broken.look()).errorCode).toBe('damaged')
    expect(broken.asked).toEqual([first])
    expect((await serving(new Uint8Array(), true).look()).errorCode).toBe('empty')
    expect((await serving(new Uint8Array(), false).look()).errorCode).toBe('empty')
  })
})
