import { describe, expect, test } from 'vitest'
import { cropToRatio } from './crop'

describe('cropToRatio', () => {
  test.each([
    [800, 800, 1.91, { x: 0, y: 190, width: 800, height: 419 }],
    [1200, 630, 1.91, { x: 0, y: 1, width: 1200, height: 628 }],
    [1200, 630, 1, { x: 285, y: 0, width: 630, height: 630 }],
    [1000, 1500, 1, { x: 0, y: 250, width: 1000, height: 1000 }],
    [3, 1, 1, { x: 1, y: 0, width: 1, height: 1 }],
    [1, 5000, 1.91, { x: 0, y: 2499, width: 1, height: 1 }],
  ])('%i × %i at %f', (width, height, ratio, expected) => {
    expect(cropToRatio(width, height, ratio)).toEqual(expected)
  })
})
