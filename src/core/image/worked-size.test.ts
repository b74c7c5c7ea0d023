import { expect, test } from 'vitest'
import { scaledToPixels, tooManyPixels } from './worked-size'

test.each([
  [
    { width: 10_000, height: 10_000 },
    { width: 5000, height: 5000 },
  ],
  [
    { width: 1200, height: 630 },
    { width: 1200, height: 630 },
  ],
  [
    { width: 100_000_000, height: 1 },
    { width: 50_000_000, height: 1 },
  ],
])('%o is held as %o', (whole, held) => {
  expect(scaledToPixels(whole, 25_000_000)).toEqual(held)
})

test('what is too large is told with its size, the bound, and what to do', () => {
  expect(tooManyPixels({ width: 12_000, height: 10_000 })).toBe(
    'It has 12000 × 10000 pixels, 120 million; up to 100 million are worked on. Save a smaller one: no place shows more than 2 million.',
  )
})
