import { describe, expect, test } from 'vitest'
import { decodeHtml, readPage } from '../page'
import { imageCandidates, likelyContentImages, metaCandidates, ogImages } from './candidates'
import { absent, climb, passAll } from './ladder'

const facts = (html: string) => readPage(decodeHtml(new TextEncoder().encode(html), 'text/html; charset=utf-8')).facts
const og = (key: string, value: string) => `<meta property="og:image${key}" content="${value}">`

describe('ogImages', () => {
  test('structured properties belong to the picture before them', () => {
    const images = ogImages(facts(og('', 'a') + og(':width', '1') + og('', 'b') + og(':width', '2') + og(':alt', 'B')))
    expect(images.map(({ forms, width, alt }) => [forms[0]?.value, width?.value, alt?.value])).toEqual([
      ['a', '1', undefined],
      ['b', '2', 'B'],
    ])
  })

  test('url and secure_url are forms of one picture; a second one of a form starts the next', () => {
    const images = ogImages(facts(og('', 'a') + og(':secure_url', 's') + og(':secure_url', 't')))
    expect(images.map(({ forms }) => forms.map(({ value }) => value))).toEqual([['a', 's'], ['t']])
  })

  test('a size without a picture belongs to none', () => {
    expect(ogImages(facts(og(':width', '1')))).toEqual([])
  })
})

describe('imageCandidates', () => {
  const from = (html: string) =>
    imageCandidates(facts(html), ['og:image']).map(({ from: key, value }) => `${key} ${value}`)

  test('the plain form goes first, unless it is on http and a secure one is there', () => {
    expect(from(og('', 'https://a') + og(':secure_url', 'https://s'))).toEqual([
      'og:image https://a',
      'og:image:secure_url https://s',
    ])
    expect(from(og('', 'http://a') + og(':secure_url', 'https://s'))).toEqual([
      'og:image:secure_url https://s',
      'og:image http://a',
    ])
    expect(from(og('', 'http://a') + og(':secure_url', ''))[0]).toBe('og:image http://a')
  })

  test('without any, one that is absent', () => {
    expect(
      imageCandidates(facts(''), ['twitter:image', 'og:image', 'content-image']).map(({ value }) => value),
    ).toEqual([null, null, null])
  })
})

describe('likelyContentImages', () => {
  test.each([
    ['declared small', '<img src=a width=199 height=400>', 0],
    ['declared large enough', '<img src=a width=200 height=200>', 1],
    ['not declared', '<img src=a>', 1],
    ['more than five', '<img src=a>'.repeat(7), 5],
    ['embedded', '<img src="data:image/png;base64,AA">', 0],
  ])('%s', (_name, html, count) => {
    expect(likelyContentImages(facts(`<body>${html}`))).toHaveLength(count)
  })
})

test('metas under other attributes are no candidates', () => {
  expect(metaCandidates(facts('<meta http-equiv="description" content="x">'), 'description')).toEqual([
    absent('description'),
  ])
})

describe('climb', () => {
  const candidate = (from: string, value: string | null, endByte = 10) => ({ from, value, line: 1, column: 1, endByte })

  test('takes the first that can be used, and gives every other one its reason', () => {
    const { taken, ladder } = climb(
      [
        candidate('a', null),
        candidate('b', ' '),
        candidate('c', 'late', 101),
        candidate('d', 'bad'),
        candidate('e', 'good'),
        candidate('f', 'also'),
      ],
      100,
      ({ value }) => (value === 'bad' ? { outcome: 'refused', why: 'bad' } : null),
    )
    expect(taken?.from).toBe('e')
    expect(ladder.map(({ outcome }) => outcome)).toEqual([
      'absent',
      'empty',
      'beyond-bytes',
      'refused',
      'taken',
      'beaten',
    ])
    expect(ladder[3]?.why).toBe('bad')
  })

  test('no budget means everything is read', () => {
    expect(climb([candidate('a', 'x', 1e9)], null).taken?.from).toBe('a')
  })

  test('passed over altogether', () => {
    expect(
      passAll([candidate('a', 'x'), candidate('b', null)], 'blocked').map(({ outcome, value }) => [outcome, value]),
    ).toEqual([
      ['blocked', 'x'],
      ['blocked', null],
    ])
  })
})
