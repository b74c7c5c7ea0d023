import { describe, expect, test } from 'vitest'
import { Attributes, endOfTag } from './attributes'
import { declaredSize, firstOfSet, imageSource, looksLikeShareLink, refreshAddress, tokensOf } from './values'

/** Attributes of a tag, given without its name. */
function attributesOf(inside: string): Attributes {
  const attributes = new Attributes()
  expect(attributes.read(`${inside}>`, 0)).toBe(inside.length + 1)
  return attributes
}

test.each([
  [' a=b', 5],
  [' a="x>y" b', 11],
  [" a='>' /", 9],
  [' a = "q"', 9],
  [' ="x"', 6],
  [' a b="c" ="d', 13],
])('the end of <x%s> is the same for who notes attributes and who does not', (inside, end) => {
  expect(endOfTag(`${inside}>`, 0)).toBe(end)
  expect(new Attributes().read(`${inside}>`, 0)).toBe(end)
})

test('a tag that the page ends in has no end', () => {
  for (const inside of [' a', ' a=', ' a="b', " a='>", ' a="b"', '/']) {
    expect([inside, endOfTag(inside, 0), new Attributes().read(inside, 0)]).toEqual([inside, -1, -1])
  }
})

describe('values of attributes', () => {
  test('the source of a picture: its own, then a later one, then the first of a set; never data', () => {
    expect(imageSource(attributesOf(' src=/a data-src=/b srcset="/c 1x"'))).toBe('/a')
    expect(imageSource(attributesOf(' src="data:image/gif;base64,R0" data-src=/b'))).toBe('/b')
    expect(imageSource(attributesOf(' srcset="/c 1x, /d 2x"'))).toBe('/c')
    expect(imageSource(attributesOf(' alt=x'))).toBeNull()
  })

  test('declared sizes are pixels; a percentage is none', () => {
    expect(['640', ' 12.5px', '0'].map(declaredSize)).toEqual([640, 12.5, 0])
    expect(['50%', 'auto', '', null].map(declaredSize)).toEqual([null, null, null, null])
  })

  test('tokens of a list', () => {
    expect([tokensOf('a'), tokensOf(' a\n b\ta '), tokensOf(''), tokensOf('  ')]).toEqual([
      ['a'],
      ['a', 'b', 'a'],
      [],
      [],
    ])
  })

  test('where a refresh leads', () => {
    expect(['0;url=/x', '5; URL = "/x"', "0,'/x'", '0;/x', '3', ''].map(refreshAddress)).toEqual([
      '/x',
      '/x',
      '/x',
      '/x',
      null,
      null,
    ])
  })

  test('what may be a share link', () => {
    const shares = ['https://s.example/?u=x', '//s.example/a?b=1&text=hi', 'HTTPS://s.example/?url=']
    expect(shares.map(looksLikeShareLink)).toEqual([true, true, true])
    const others = [
      '/share?u=x',
      'mailto:a@b.example?text=x',
      'https://s.example/u=1',
      'https://s.example/?menu=1',
      'https://s.example/#?u=x',
    ]
    expect(others.map(looksLikeShareLink)).toEqual([false, false, false, false, false])
  })
})

test.each([
  ['0; url=/a', '/a'],
  ['0;URL = "/a b" junk', '/a b'],
  ["5,'/a'", '/a'],
  ['0 /a', '/a'],
  ['.5; url=/a', '/a'],
  ['0; url/a', 'url/a'],
  ['0; url=', null],
  ['30', null],
  ['url=/a', null],
  ['0x; url=/a', null],
  ["0; url='/unclosed", '/unclosed'],
])('a refresh of “%s” leads to %s', (content, address) => {
  expect(refreshAddress(content)).toBe(address)
})

test.each([
  ['/a.jpg 1x, /b.jpg 2x', '/a.jpg'],
  [' , ,/a,b.jpg 100w', '/a,b.jpg'],
  ['data:image/png;base64,AA,,/b.jpg 1x', 'data:image/png;base64,AA,,/b.jpg'],
  ['/a.jpg,', '/a.jpg'],
  ['  ', null],
])('the first of the set “%s” is %s', (value, first) => {
  expect(firstOfSet(value)).toBe(first)
})
