import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { pageAddress } from '../address'
import { runs } from '../testing/property-runs'
import { isPlainPath, LinksOfPages } from './links-of-pages'

const BASE = 'https://brasswick.example/guides/lamp.html'
const resolver = () => new LinksOfPages((address) => address)

describe('links of pages', () => {
  test.each(['/a', '/', '/guides/lamp.html', '/a-b_c~d/e.f', '/a..b/'])('%s is a plain path', (href) => {
    expect(isPlainPath(href)).toBe(true)
  })

  test.each([
    '//other.example/',
    '/a/../b',
    '/./a',
    '/.hidden',
    '/a?b=c',
    '/a#b',
    '/a b',
    '/%41',
    '/é',
    'a',
    '',
    '/a\\b',
  ])('%s is none', (href) => {
    expect(isPlainPath(href)).toBe(false)
  })

  test('all links lead where the URL standard says, each address once', () => {
    const piece = fc.constantFrom(
      '/',
      '.',
      '..',
      'a',
      'B',
      '?',
      'x=1',
      '#',
      ' ',
      '%41',
      '%zz',
      'é',
      'https://',
      'http://b.example',
      ':',
      '@',
      '\\',
    )
    const href = fc.array(piece, { maxLength: 7 }).map((pieces) => pieces.join(''))
    fc.assert(
      fc.property(fc.array(href, { maxLength: 6 }), (hrefs) => {
        const plain = hrefs.flatMap((one) => pageAddress(one, BASE) ?? [])
        expect([...resolver().resolve(hrefs, BASE).keys()]).toEqual([...new Set(plain)])
      }),
      runs(3000),
    )
  })

  test('an absolute link is resolved once for all pages, and keeps its meaning on each', () => {
    const asked: string[] = []
    const links = new LinksOfPages((address) => {
      asked.push(address)
      return address
    })
    for (const base of [BASE, 'https://brasswick.example/']) {
      expect([...links.resolve(['https://brasswick.example/a?b', 'c'], base).keys()][0]).toBe(
        'https://brasswick.example/a?b',
      )
    }
    expect(asked.filter((address) => address.endsWith('a?b'))).toHaveLength(1)
  })
})
