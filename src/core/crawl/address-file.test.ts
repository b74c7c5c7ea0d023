import { gzipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { AddressFileReader, faultOfAddressFile } from './address-file'

const bytesOf = (text: string) => new TextEncoder().encode(text)

function read(bytes: Uint8Array, size = bytes.length) {
  const reader = new AddressFileReader()
  for (let at = 0; at < bytes.length; at += size) reader.write(bytes.subarray(at, at + size))
  return reader.end()
}

const A = 'https://brasswick.example/a'
const B = 'https://brasswick.example/b'
const MAP = `<?xml version="1.0"?><urlset><url><loc>${A}</loc></url><url><loc>${B}</loc></url></urlset>`
const INDEX = `<sitemapindex><sitemap><loc>${A}.xml</loc></sitemap></sitemapindex>`

describe('a file of addresses is told by its bytes, not its name', () => {
  test.each([
    ['a sitemap', bytesOf(MAP), 'sitemap', [A, B]],
    ['a sitemap after a mark and a line', bytesOf(`\uFEFF\n${MAP}`), 'sitemap', [A, B]],
    ['a packed sitemap', gzipSync(bytesOf(MAP)), 'sitemap', [A, B]],
    ['a list', bytesOf(`\uFEFF# ours\n${A}\r\n\n ${B} `), 'list', [A, B]],
    ['nothing', new Uint8Array(), 'list', []],
    ['what is no text', bytesOf(`\u0089PNG\n\0\n${A}\n`), 'list', []],
    ['white space', bytesOf(' \n'), 'list', []],
  ] as const)('%s', (_name, bytes, kind, addresses) => {
    for (const size of [1, 3, Math.max(1, bytes.length)]) {
      expect(read(bytes, size)).toEqual({ kind, addresses, sitemaps: [], isCut: false })
    }
  })

  test('an index names sitemaps, and says so', () => {
    const found = read(bytesOf(INDEX))
    expect(found).toMatchObject({ addresses: [], sitemaps: [`${A}.xml`] })
    expect(faultOfAddressFile('map.xml', found)).toContain(`names no page but ${A}.xml`)
    expect(faultOfAddressFile('map.xml', { ...found, sitemaps: ['x', 'y'] })).toContain('2 further sitemaps, such as x')
  })

  test('one without addresses says how to write them', () => {
    expect(faultOfAddressFile('a.txt', read(bytesOf('# nothing')))).toContain(
      '“a.txt” names no address. A list has one',
    )
    expect(faultOfAddressFile('a.txt', read(bytesOf(A)))).toBeNull()
  })

  test('a list that is too long is cut, and says so', () => {
    const found = read(bytesOf(`${A}\n`.repeat(limits.maxPagesOfBuild + 2)), 100_000)
    expect(found.addresses).toHaveLength(limits.maxPagesOfBuild)
    expect(found.isCut).toBe(true)
  })

  test('a broken pack is an error', () => {
    const packed = gzipSync(bytesOf(MAP.repeat(50)))
    expect(() => read(packed.subarray(0, packed.length / 2))).toThrow()
  })
})
