import { describe, expect, it } from 'vitest'
import { busiestPoint, detailMap, detailOutside } from './detail'

/** A plain picture with a chequered patch. */
function patched(width: number, height: number, patch: { x: number; y: number; side: number }): Uint8Array {
  return Uint8Array.from({ length: width * height }, (_, index) => {
    const [x, y] = [index % width, Math.floor(index / width)]
    const isIn = x >= patch.x && x < patch.x + patch.side && y >= patch.y && y < patch.y + patch.side
    return isIn && ((x >> 2) + (y >> 2)) % 2 === 0 ? 230 : 90
  })
}

describe('detail', () => {
  const size = { width: 240, height: 120 }
  const map = detailMap(patched(240, 120, { x: 180, y: 20, side: 40 }), 240, 120)

  it('has a grid of the picture’s own shape, and sums to one', () => {
    expect([map.columns, map.rows]).toEqual([24, 12])
    expect(map.shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6)
  })

  it('is lost with the part that holds it, and kept with it', () => {
    expect(detailOutside(map, size, { x: 0, y: 0, width: 120, height: 120 })).toBeCloseTo(1, 2)
    expect(detailOutside(map, size, { x: 120, y: 0, width: 120, height: 120 })).toBeCloseTo(0, 2)
    const half = detailOutside(map, size, { x: 0, y: 0, width: 200, height: 120 })
    expect(half).toBeGreaterThan(0.4)
    expect(half).toBeLessThan(0.6)
  })

  it('is most about the middle of the patch', () => {
    const { x, y } = busiestPoint(map)
    expect(x).toBeCloseTo(200 / 240, 1)
    expect(y).toBeCloseTo(40 / 120, 1)
  })

  it('is nowhere on a plain picture, nor in its grain', () => {
    const grain = Uint8Array.from({ length: 240 * 120 }, (_, index) => 120 + (index % 3))
    const plain = detailMap(grain, 240, 120)
    expect(plain.shares.every((share) => share === 0)).toBe(true)
    expect(detailOutside(plain, size, { x: 0, y: 0, width: 10, height: 10 })).toBe(0)
    expect(busiestPoint(plain)).toEqual({ x: 0.5, y: 0.5 })
  })
})
