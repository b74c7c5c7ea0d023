import { describe, expect, test } from 'vitest'
import { photographs } from '../testing/photographs'
import type { Crop } from './crop'
import { FOCUS_PX, type Pixels, proposeFocus } from './propose-focus'
import { CENTER, type Focus, refitPlan } from './refit-plan'

/** The picture brought down to what is looked at: the mean of the pixels that fall into each. */
function reduced({ data, width, height }: Pixels): Pixels {
  const scale = Math.min(1, FOCUS_PX / Math.max(width, height))
  const [w, h] = [Math.round(width * scale), Math.round(height * scale)]
  const out = new Uint8ClampedArray(w * h * 4).fill(255)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const sums = [0, 0, 0]
      let count = 0
      for (let row = Math.floor(y / scale); row < Math.min(height, Math.ceil((y + 1) / scale)); row++)
        for (let column = Math.floor(x / scale); column < Math.min(width, Math.ceil((x + 1) / scale)); column++) {
          count++
          for (const part of [0, 1, 2]) sums[part]! += data[(row * width + column) * 4 + part]!
        }
      out.set(
        sums.map((sum) => sum / count),
        (y * w + x) * 4,
      )
    }
  return { data: out, width: w, height: h }
}

/** Share of the subject that a crop around this focus keeps, of what any crop of that shape could keep of it. */
function keptOf(subject: Crop, picture: Pixels, shape: { width: number; height: number }, focus: Focus): number {
  const { crop } = refitPlan(picture, shape, focus, { kind: 'crop' })
  const left = Math.max(0, subject.x)
  const top = Math.max(0, subject.y)
  const [right, bottom] = [
    Math.min(picture.width, subject.x + subject.width),
    Math.min(picture.height, subject.y + subject.height),
  ]
  const across = Math.max(0, Math.min(right, crop.x + crop.width) - Math.max(left, crop.x))
  const down = Math.max(0, Math.min(bottom, crop.y + crop.height) - Math.max(top, crop.y))
  return (across * down) / (Math.min(right - left, crop.width) * Math.min(bottom - top, crop.height))
}

const SHAPES = [
  { width: 1200, height: 630 },
  { width: 1200, height: 1200 },
]
/** So much of the subject has to be in: what a person would call kept. */
const KEPT = 0.9

const misses = (count: number, seed: number, focusOf: (pixels: Pixels) => Focus) =>
  photographs(count, seed).filter(({ pixels, subject }) => {
    const focus = focusOf(pixels)
    return SHAPES.some((shape) => keptOf(subject, pixels, shape, focus) < KEPT)
  })

describe('a proposed focus', () => {
  test('keeps the subject in a wide and in a square crop of nine of ten pictures that it was made with', () => {
    const missed = misses(48, 1, (pixels) => proposeFocus(reduced(pixels)))
    expect(missed.length, missed.map(({ name }) => name).join('\n')).toBeLessThanOrEqual(4)
  })

  test('and of twenty that it was not made with, at least eighteen', () => {
    const missed = misses(20, 77, (pixels) => proposeFocus(reduced(pixels)))
    expect(missed.length, missed.map(({ name }) => name).join('\n')).toBeLessThanOrEqual(2)
  })

  test('the middle keeps far fewer: the pictures are not such as any focus would do for', () => {
    expect(misses(48, 1, () => CENTER).length).toBeGreaterThan(16)
  })

  test('a plain picture has its focus in the middle', () => {
    const plain = { data: new Uint8ClampedArray(96 * 50 * 4).fill(200), width: 96, height: 50 }
    expect(proposeFocus(plain)).toEqual(CENTER)
  })

  test.each([
    [1, 1],
    [1, 96],
    [96, 2],
  ])('a picture of %d × %d has one too', (width, height) => {
    const { x, y } = proposeFocus({ data: new Uint8ClampedArray(width * height * 4), width, height })
    expect([x, y].every((part) => part >= 0 && part <= 1)).toBe(true)
  })
})
