import { gzipSync } from 'node:zlib'
import { describe, expect, test } from 'vitest'
import { limits } from './limits'
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

  test('an address without end is not gathered', () => {
    const endless = new TextEncoder().encode(`<urlset><url><loc>${'a'.repeat(5_000_000)}</loc></url></urlset>`)
    expect(inPieces(endless, 65_536).pages[0]!.length).toBeLessThan(100_000)
  })
})
