import { describe, expect, it } from 'vitest'
import { isSoft, keepZone, shareLost } from './keep-zone'

describe('keepZone', () => {
  it('is what a wide crop and a square one of a tall picture have in common', () => {
    // 1080 × 1350: 1.91 : 1 keeps 565 lines from 392 on, 1 : 1 keeps 1080 lines from 135 on.
    const wide = { x: 0, y: 392, width: 1080, height: 565 }
    const square = { x: 0, y: 135, width: 1080, height: 1080 }
    expect(keepZone([wide, square])).toEqual(wide)
  })

  it('is narrower than each crop where one is wide and one is tall', () => {
    const wide = { x: 0, y: 190, width: 800, height: 419 }
    const tall = { x: 133, y: 0, width: 533, height: 800 }
    expect(keepZone([wide, tall])).toEqual({ x: 133, y: 190, width: 533, height: 419 })
  })

  it('is nothing for crops that don’t meet, and for none', () => {
    expect(
      keepZone([
        { x: 0, y: 0, width: 10, height: 10 },
        { x: 10, y: 0, width: 10, height: 10 },
      ]),
    ).toBeNull()
    expect(keepZone([])).toBeNull()
  })
})

describe('shareLost', () => {
  it('is the area outside the crop', () => {
    expect(shareLost({ width: 1080, height: 1350 }, { x: 0, y: 392, width: 1080, height: 565 })).toBeCloseTo(0.5815, 4)
    expect(shareLost({ width: 10, height: 10 }, { x: 0, y: 0, width: 10, height: 10 })).toBe(0)
  })
})

describe('isSoft', () => {
  it('is a matter of the screen’s own pixels', () => {
    const crop = { x: 0, y: 0, width: 600, height: 314 }
    expect(isSoft(crop, 500, 1)).toBe(false)
    expect(isSoft(crop, 500, 2)).toBe(true)
    expect(isSoft(crop, 300, 2)).toBe(false)
    expect(isSoft(crop, 601, 1)).toBe(true)
  })
})
