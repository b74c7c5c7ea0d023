import { describe, expect, test } from 'vitest'
import { byteOffsets } from '../testing/oracle/byte-offsets'
import { charsetOf, decodeHtml } from './decode'

const ascii = (text: string) => new TextEncoder().encode(text)

describe('decodeHtml', () => {
  test.each([
    [
      'byte order mark over header',
      new Uint8Array([0xef, 0xbb, 0xbf, 0x61]),
      'text/html; charset=iso-8859-1',
      'utf-8',
      'bom',
    ],
    ['header over meta', ascii('<meta charset=utf-8>'), 'text/html; charset="Shift_JIS"', 'shift_jis', 'header'],
    ['meta charset', ascii("<head><meta charset='UTF-8'>"), 'text/html', 'utf-8', 'meta'],
    ['http-equiv', ascii('<meta content="text/html; charset=koi8-r" http-equiv=Content-Type>'), null, 'koi8-r', 'meta'],
    [
      'a declaration in a comment does not count',
      ascii('<!-- <meta charset=utf-8> -->'),
      null,
      'windows-1252',
      'default',
    ],
    ['utf-16 in a meta means utf-8', ascii('<meta charset=utf-16>'), null, 'utf-8', 'meta'],
    [
      'an unknown name is passed over',
      ascii('<meta charset=nonsense><meta charset=utf-8>'),
      'text/html; charset=what',
      'utf-8',
      'meta',
    ],
    [
      'after 1024 bytes browsers still take it, as long as the head lasts',
      ascii(`${' '.repeat(1024)}<meta charset=utf-8>`),
      null,
      'utf-8',
      'meta',
    ],
    [
      'after that it is too late',
      ascii(`<body>${' '.repeat(1024)}<meta charset=utf-8>`),
      null,
      'windows-1252',
      'default',
    ],
  ])('%s', (_name, bytes, header, encoding, from) => {
    expect(decodeHtml(bytes, header)).toMatchObject({ encoding, from })
  })
})

test.each([
  ['text/html; charset=utf-8', 'utf-8'],
  ['text/html;charset="utf-8"; x=y', 'utf-8'],
  ['text/html', null],
  [null, null],
])('charsetOf(%s) is %s', (header, expected) => {
  expect(charsetOf(header)).toBe(expected)
})

test('byteOffsets counts bytes of the served encoding', () => {
  const html = decodeHtml(ascii('aé机🔧b'), 'text/html; charset=utf-8')
  expect(byteOffsets(html, [0, 1, 2, 3, 5, 6])).toEqual([0, 1, 3, 6, 10, 11])
})
