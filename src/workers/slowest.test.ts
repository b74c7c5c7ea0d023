import { expect, test } from 'vitest'
import { SLOW_MS, slowest } from './slowest'

const after = (...times: number[]) =>
  times.reduce<ReturnType<typeof slowest>>((before, ms, index) => slowest(before, { url: `/${index}`, ms }), [])

test('five pages at most, the slowest first, whatever their order', () => {
  expect(after(1500, 9000, 3000, 2000, 1200, 1100, 4000).map(({ ms }) => ms)).toEqual([9000, 4000, 3000, 2000, 1500])
})

test('on the limit is slow, one under is not', () => {
  expect(after(SLOW_MS, SLOW_MS - 1).map(({ url }) => url)).toEqual(['/0'])
})
