import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { parseUrl } from '@/core/address'
import { runs } from '@/core/testing/property-runs'
import { Origins } from './origins'

const NAMED = new Map([['127.0.0.1:4300', new Set(['127.0.0.1'])]])

describe('Origins', () => {
  test('every address is taken apart as the URL standard does, the first time and the second', () => {
    const origins = new Origins(NAMED)
    const piece = fc.constantFrom(
      'a',
      '/',
      '.',
      '..',
      '?',
      '#',
      '%2e',
      '%2F',
      '%41',
      "'",
      ' ',
      'é',
      '\\',
      '|',
      '"',
      '<',
    )
    const start = fc.constantFrom(
      'http://127.0.0.1:4300/',
      'https://A.example/',
      'http://me:x@a.example:80/',
      'http://b',
    )
    const address = fc.tuple(start, fc.array(piece, { maxLength: 6 })).map(([from, rest]) => from + rest.join(''))
    fc.assert(
      fc.property(
        address.filter((one) => /^https?:\/\/[^\\#? '"<|%.é]/.test(one)),
        (one) => {
          const url = parseUrl(one)
          for (let times = 0; times < 2; times++) {
            const parts = origins.split(one)
            expect(parts && [parts.to.origin, parts.path]).toEqual(url && [url.origin, url.pathname + url.search])
          }
        },
      ),
      runs(3000),
    )
  })

  test.each(['#', '?'])('a first slash behind %s is none of the path', (sign) => {
    const origins = new Origins(NAMED)
    for (const path of ['/', '/a', '/a']) {
      const url = new URL(`http://b${sign}${path}`)
      expect(origins.split(url.href.replace('b/', 'b'))!.path).toBe(url.pathname + url.search)
    }
  })

  test.each([
    ['http://127.0.0.1:4300/a', { host: '127.0.0.1:4300', refusal: null }],
    ['http://127.0.0.1:4301/a', { refusal: expect.stringContaining('127.0.0.1 is an address inside') }],
    ['http://[::1]/a', { host: '[::1]:80', refusal: expect.stringContaining('inside this network') }],
    ['http://0x7f.1/a', { host: '127.0.0.1:80', refusal: expect.stringContaining('inside this network') }],
    ['https://brasswick.example/a', { host: 'brasswick.example:443', refusal: null }],
  ])('%s is judged once for all of its paths', (address, expected) => {
    const origins = new Origins(NAMED)
    const { to } = origins.split(address)!
    expect(to).toMatchObject(expected)
    expect(origins.split(`${address}/b`)).toEqual({ to, path: '/a/b' })
    expect(origins.split(`${address}/b`)!.to).toBe(to)
  })
})
