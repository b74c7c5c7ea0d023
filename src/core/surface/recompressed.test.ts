import { expect, it } from 'vitest'
import { feedRecompression, phoneRecompression } from './habits'
import { recompressedSize } from './recompressed'

it('scales the part that is kept to the longest side, and never enlarges', () => {
  expect(recompressedSize({ x: 0, y: 0, width: 2400, height: 1256 }, feedRecompression)).toEqual({
    width: 1200,
    height: 628,
  })
  expect(recompressedSize({ x: 0, y: 9, width: 600, height: 1200 }, phoneRecompression)).toEqual({
    width: 400,
    height: 800,
  })
  expect(recompressedSize({ x: 0, y: 0, width: 300, height: 157 }, feedRecompression)).toEqual({
    width: 300,
    height: 157,
  })
  expect(recompressedSize({ x: 0, y: 0, width: 9000, height: 2 }, feedRecompression)).toEqual({
    width: 1200,
    height: 1,
  })
})
