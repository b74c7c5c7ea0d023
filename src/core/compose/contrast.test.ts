import { expect, it } from 'vitest'
import { channelsOf, contrast, contrastOf, legibleOn, luminance } from './contrast'

// Figures from the definition of relative luminance in WCAG 2.2.
it.each([
  ['#000000', '#ffffff', 21],
  ['#777777', '#ffffff', 4.48],
  ['#767676', '#ffffff', 4.54],
  ['#ff0000', '#ffffff', 4],
  ['#123456', '#123456', 1],
])('contrast of %s and %s is %d', (a, b, expected) => {
  expect(contrast(a, b)).toBeCloseTo(expected, 2)
  expect(contrast(b, a)).toBe(contrast(a, b))
})

it('reads channels, and takes luminances apart', () => {
  expect(channelsOf('#0a10ff')).toEqual([10, 16, 255])
  expect(luminance([255, 255, 255])).toBeCloseTo(1, 10)
  expect(contrastOf(1, 0)).toBeCloseTo(21, 10)
})

it('writes on dark in white and on light in black', () => {
  expect(legibleOn('#1d3b4f')).toBe('#ffffff')
  expect(legibleOn('#f3d27a')).toBe('#111111')
})
