import { describe, expect, test } from 'vitest'
import { matchesWords } from '../features/frame/jump-box'
import { bytes, count, duration, shortAddress } from './words'

test.each([
  [0, '0 pages'],
  [1, '1 page'],
  [5000, '5,000 pages'],
])('count(%i)', (number, expected) => {
  expect(count(number, 'page')).toBe(expected)
})

test.each([
  [0, '0 bytes'],
  [999, '999 bytes'],
  [1000, '1 KB'],
  [999_499, '999 KB'],
  [999_500, '1.0 MB'],
  [5_800_000, '5.8 MB'],
  [10_738_100_000, '10.7 GB'],
])('bytes(%i) is %s', (number, expected) => {
  expect(bytes(number)).toBe(expected)
})

test.each([
  [0, '1 s'],
  [12_400, '12 s'],
  [89_000, '89 s'],
  [200_000, '3 min 20 s'],
])('duration(%i) is %s', (ms, expected) => {
  expect(duration(ms)).toBe(expected)
})

test.each([
  ['https://brasswick.example/', 'brasswick.example'],
  ['http://127.0.0.1:4301/guides/', '127.0.0.1:4301/guides'],
])('shortAddress(%s)', (url, expected) => {
  expect(shortAddress(url)).toBe(expected)
})

describe('matchesWords', () => {
  test.each([
    ['lamp rewire', true],
    ['REWIRE', true],
    ['', true],
    ['lamp chair', false],
  ])('%j: %s', (question, expected) => {
    expect(matchesWords('/guides/rewire-a-lamp Rewire a table lamp', question)).toBe(expected)
  })
})
