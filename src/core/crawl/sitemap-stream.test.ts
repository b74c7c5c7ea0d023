import { gzipSync } from 'node:zlib'
import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { readSitemapFile, SitemapStream } from './sitemap-stream'

const address = (index: number) => `https://brasswick.example/tools/${index}?a=é`
const sitemap = (count: number) =>
  new TextEncoder().encode(
    `<?xml version="1.0"?><urlset>${Array.from({ length: count }, (_, index) => `<url><loc>${address(index)}</loc></url>`).join('\n')}</urlset>`,
  )

function inPieces(bytes: Uint8Array, size: number) {
  const stream = new SitemapStream()
  for (let at = 0; at < bytes.length; at += size) stream.write(bytes.subarray(at, at + size))
  return stream.end()
}

describe('a sitemap read while it arrives', () => {
  test.each([1, 2, 3, 1000])('in pieces of %i bytes, packed or not', (size) => {
    const pages = Array.from({ length: 40 }, (_, index) => address(index))
    expect(inPieces(sitemap(40), size).pages).toEqual(pages)
    expect(inPieces(gzipSync(sitemap(40)), size).pages).toEqual(pages)
  })

  test('fifty thousand entries, and one more is left out', () => {
    expect(readSitemapFile(gzipSync(sitemap(limits.sitemapEntries)))).toMatchObject({ isCut: false })
    const reading = readSitemapFile(gzipSync(sitemap(limits.sitemapEntries + 1)))
    expect([reading.pages.length, reading.isCut]).toEqual([limits.sitemapEntries, true])
  })

  test('a pack that unpacks beyond the limit is read up to it', () => {
    const bomb = gzipSync(new Uint8Array(limits.sitemapBytes + 5_000_000))
    expect(readSitemapFile(bomb)).toEqual({ pages: [], sitemaps: [], isCut: true })
  })

  test('broken and cut-off packs are errors, other bytes are not', () => {
    const packed = gzipSync(sitemap(3000))
    expect(() => readSitemapFile(packed.subarray(0, packed.length >> 1))).toThrow()
    const small = gzipSync(sitemap(9))
    for (let length = 2; length < small.length; length++) {
      expect(() => readSitemapFile(small.subarray(0, length)), `${length} of ${small.length}`).toThrow()
    }
    expect(() => readSitemapFile(Uint8Array.from([0x1f, 0x8b, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9]))).toThrow()
    for (const bytes of [[], [0x1f], [0xff, 0xfe, 0x3c]]) {
      expect(readSitemapFile(Uint8Array.from(bytes)).pages).toEqual([])
    }
  })

  test('a pack of several members is one file', () => {
    const [head, rest] = ['<urlset><url><loc>https://a.example/1</loc>', '</url></urlset>'].map((part) =>
      gzipSync(part),
    )
    expect(inPieces(Uint8Array.from([...head!, ...rest!]), 7).pages).toEqual(['https://a.example/1'])
  })

  test.each([1, 7, 600, 20_000])('zeros after a pack, %i of them, are no part of it', (count) => {
    for (const size of [1, 9, 4000]) {
      const packed = gzipSync(sitemap(size))
      const padded = Uint8Array.from([...packed, ...new Uint8Array(count)])
      expect(inPieces(padded, 512).pages).toHaveLength(size)
    }
  })

  test.each([
    ['with a mark', [0xff, 0xfe], 'utf16le'],
    ['without one', [], 'utf16le'],
  ] as const)('in UTF-16 %s', (_name, mark, encoding) => {
    const text = `<urlset><url><loc>${address(1)}</loc></url></urlset>`
    const bytes = Uint8Array.from([...mark, ...Buffer.from(text, encoding)])
    expect(inPieces(bytes, 3).pages).toEqual([address(1)])
    const swapped = Uint8Array.from([...[...mark].reverse(), ...Buffer.from(text, encoding).swap16()])
    expect(inPieces(swapped, 3).pages).toEqual([address(1)])
  })

  test('under a prefix, with the parts of another beside it', () => {
    const text =
      '<sm:urlset xmlns:sm="x"><sm:url><sm:loc>https://a.example/1</sm:loc><image:image><image:loc>https://a.example/1.png</image:loc></image:image></sm:url></sm:urlset>'
    expect(readSitemapFile(new TextEncoder().encode(text)).pages).toEqual(['https://a.example/1'])
  })

  test('an address without end is not gathered', () => {
    const endless = new TextEncoder().encode(`<urlset><url><loc>${'a'.repeat(5_000_000)}</loc></url></urlset>`)
    expect(inPieces(endless, 65_536).pages[0]!.length).toBeLessThan(100_000)
  })
})
