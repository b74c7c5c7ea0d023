import { expect, test } from 'vitest'
import { limits } from '../address'
import { DecodeBudget } from './decode-budget'

test('a page’s pictures are decoded up to its pixels, and those of others all the same', () => {
  const budget = new DecodeBudget()
  const one = limits.decodedPixelsOfPage / 4
  const taken = Array.from({ length: 6 }, () => budget.take('/a', one, 1000))
  expect(taken).toEqual([true, true, true, true, false, false])
  expect(budget.take('/b', one, 1000)).toBe(true)
  expect(budget.words()).toMatch(/^2 pictures were not decoded/)
})

test('bytes count as well, and the whole run', () => {
  const budget = new DecodeBudget()
  expect(budget.take('/a', 1, limits.decodedBytesOfPage + 1)).toBe(false)
  const pages = limits.decodedPixels / limits.decodedPixelsOfPage
  for (let page = 0; page < pages; page++) expect(budget.take(`/${page}`, limits.decodedPixelsOfPage, 1)).toBe(true)
  expect(budget.take('/last', 1, 1)).toBe(false)
})

test('nothing is said where there was room for all', () => {
  const budget = new DecodeBudget()
  budget.take('/a', 1200 * 630, 90_000)
  expect(budget.words()).toBeNull()
})
