import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { surfaces } from '../testing/places'
import { keepZoneGuide } from './keep-zone-guide'

const rects = (svg: string) =>
  [...svg.matchAll(/<rect x="(\d+)" y="(\d+)" width="(\d+)" height="(\d+)"/g)].map((found) =>
    found.slice(1, 5).map(Number),
  )

describe('keepZoneGuide', () => {
  it('has a frame for each crop of 1200 × 630, and the square that all keep', () => {
    const svg = keepZoneGuide({ width: 1200, height: 630 }, surfaces, 'summary_large_image')
    // 1.91 : 1 of it keeps 1200 / 1.91 = 628 lines, a thumbnail the middle square, natural ratio all.
    expect(rects(svg)).toContainEqual([0, 1, 1200, 628])
    expect(rects(svg)).toContainEqual([285, 0, 630, 630])
    expect(rects(svg).at(-1)).toEqual([285, 1, 630, 628])
    expect(svg).toContain('Keep zone, 52 %')
    expect(svg).toContain('Feed reply')
  })

  it('is a picture of that very size', async () => {
    const svg = keepZoneGuide({ width: 1000, height: 1500 }, surfaces, 'summary_large_image')
    expect(await sharp(Buffer.from(svg)).metadata()).toMatchObject({ format: 'svg', width: 1000, height: 1500 })
  })

  it('says so when nothing is kept by all', () => {
    expect(keepZoneGuide({ width: 1000, height: 100 }, [], 'summary')).toContain('No part is kept by all')
  })
})
