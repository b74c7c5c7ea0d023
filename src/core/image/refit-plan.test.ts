import { describe, expect, test } from 'vitest'
import { CENTER, enlargedBy, refitPlan, withinBudget } from './refit-plan'

const WIDE = { width: 1200, height: 630 }

describe('a plan', () => {
  test.each([
    // source, focus, crop
    [{ width: 2400, height: 1260 }, CENTER, { x: 0, y: 0, width: 2400, height: 1260 }],
    [{ width: 1000, height: 1000 }, CENTER, { x: 0, y: 238, width: 1000, height: 525 }],
    [
      { width: 1000, height: 1000 },
      { x: 0.5, y: 0 },
      { x: 0, y: 0, width: 1000, height: 525 },
    ],
    [
      { width: 1000, height: 1000 },
      { x: 0.5, y: 1 },
      { x: 0, y: 475, width: 1000, height: 525 },
    ],
    [
      { width: 3000, height: 630 },
      { x: 0.3, y: 0.5 },
      { x: 300, y: 0, width: 1200, height: 630 },
    ],
  ])('crops %j with focus %j to %j', (source, focus, crop) => {
    const plan = refitPlan(source, WIDE, focus, { kind: 'crop' })
    expect(plan.crop).toEqual(crop)
    expect(plan.scaled).toEqual(WIDE)
  })

  test('extends without cutting anything', () => {
    const plan = refitPlan({ width: 1000, height: 1000 }, WIDE, CENTER, { kind: 'extend' })
    expect(plan).toMatchObject({
      crop: { x: 0, y: 0, width: 1000, height: 1000 },
      scaled: { width: 630, height: 630 },
      at: { x: 285, y: 0 },
    })
  })

  test('says by how much a small source is stretched, and only then', () => {
    expect(enlargedBy(refitPlan({ width: 800, height: 800 }, WIDE, CENTER, { kind: 'crop' }))).toBe(1.5)
    expect(enlargedBy(refitPlan({ width: 1200, height: 630 }, WIDE, CENTER, { kind: 'crop' }))).toBeNull()
    expect(enlargedBy(refitPlan({ width: 800, height: 420 }, WIDE, CENTER, { kind: 'extend' }))).toBe(1.5)
  })

  test('a crop never leaves the source, whatever the shapes', () => {
    for (const [w, h] of [
      [1, 1],
      [1, 5000],
      [5000, 1],
      [333, 777],
    ] as const) {
      const { crop } = refitPlan(
        { width: w, height: h },
        { width: 630, height: 1200 },
        { x: 0.99, y: 0.01 },
        { kind: 'crop' },
      )
      expect(crop.x + crop.width).toBeLessThanOrEqual(w)
      expect(crop.y + crop.height).toBeLessThanOrEqual(h)
      expect(Math.min(crop.width, crop.height)).toBeGreaterThan(0)
    }
  })
})

describe('a budget', () => {
  /** A file that grows with its quality. */
  const encode = async (quality: number) => ({ bytes: quality * 1000, data: quality })

  test.each([
    [null, 90, true],
    [100_000, 90, true],
    [65_500, 65, true],
    [40_000, 40, true],
    [39_999, 40, false],
  ])('%j: quality %d, fits %j', async (budget, quality, fits) => {
    expect(await withinBudget(encode, budget)).toMatchObject({ quality, fits })
  })

  test('what stops it is said: the next quality, and its weight', async () => {
    const steep = async (quality: number) => ({ bytes: quality < 70 ? 50_000 : 90_000, data: null })
    expect(await withinBudget(steep, 80_000)).toMatchObject({
      quality: 69,
      bytes: 50_000,
      next: { quality: 70, bytes: 90_000 },
    })
    expect(await withinBudget(steep, 100_000)).toMatchObject({ quality: 90, next: null })
    expect(await withinBudget(steep, 100)).toMatchObject({ quality: 40, fits: false, next: null })
  })
})
