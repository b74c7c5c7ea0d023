import { z } from 'zod'
import type { Crop } from './crop'

/** The shape that a picture is to have, in pixels. */
export type Shape = { width: number; height: number }

/** A point of the picture, 0 to 1 from left and from top: what matters most stays in. */
export const Focus = z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) })
export type Focus = z.infer<typeof Focus>

/**
 * What fills a shape that the picture doesn't: the picture itself, cut; its edge colours; itself, enlarged and blurred;
 * a colour.
 */
export type Fill = { kind: 'crop' } | { kind: 'extend' } | { kind: 'blur' } | { kind: 'color'; color: string }

/** How far the picture behind itself is blurred: a standard deviation of so much of the shape's longer side. */
export const BLUR_SHARE = 0.025

export type RefitType = 'jpeg' | 'png' | 'webp'

/** What somebody wants of a picture. `budget` is bytes at most; null takes the best quality. */
export type RefitWish = { shape: Shape; focus: Focus; fill: Fill; budget: number | null; type: RefitType }

/** How a picture becomes another shape. The same plan is carried out by a browser and on a server. */
export type RefitPlan = {
  shape: Shape
  /** Part of the source that is kept, in source pixels after orientation. */
  crop: Crop
  /** Size to which that part is scaled. */
  scaled: Shape
  /** Where the scaled part lies in the shape; what is left is filled. */
  at: { x: number; y: number }
  fill: Fill
  /** How much source pixels are stretched: 1.3 means by 30 %; 1 or less is no stretching. */
  scale: number
}

export const CENTER: Focus = { x: 0.5, y: 0.5 }

/** An offset that keeps a point in the middle of a part as far as the whole allows. */
function offsetFor(whole: number, part: number, focus: number): number {
  return Math.max(0, Math.min(whole - part, Math.round(whole * focus - part / 2)))
}

/**
 * Plans how a picture of one size becomes another shape.
 *
 * @param source size after orientation, in pixels
 * @example refitPlan({ width: 800, height: 800 }, { width: 1200, height: 630 }, CENTER, { kind: 'crop' }).scale // 1.5
 */
export function refitPlan(source: Shape, shape: Shape, focus: Focus, fill: Fill): RefitPlan {
  if (fill.kind === 'crop') {
    const scale = Math.max(shape.width / source.width, shape.height / source.height)
    const width = Math.min(source.width, Math.max(1, Math.round(shape.width / scale)))
    const height = Math.min(source.height, Math.max(1, Math.round(shape.height / scale)))
    const crop = {
      x: offsetFor(source.width, width, focus.x),
      y: offsetFor(source.height, height, focus.y),
      width,
      height,
    }
    return { shape, crop, scaled: { ...shape }, at: { x: 0, y: 0 }, fill, scale }
  }
  const scale = Math.min(shape.width / source.width, shape.height / source.height)
  const scaled = {
    width: Math.min(shape.width, Math.max(1, Math.round(source.width * scale))),
    height: Math.min(shape.height, Math.max(1, Math.round(source.height * scale))),
  }
  const at = { x: Math.floor((shape.width - scaled.width) / 2), y: Math.floor((shape.height - scaled.height) / 2) }
  return { shape, crop: { x: 0, y: 0, width: source.width, height: source.height }, scaled, at, fill, scale }
}

/** How much a plan stretches the source, to two places; null when it doesn't. */
export const enlargedBy = ({ scale }: RefitPlan): number | null => (scale > 1 ? Math.round(scale * 100) / 100 : null)

/** Qualities that are tried; below the least a picture is no longer fit to be seen. */
const QUALITY = { most: 90, least: 40 } as const

type Encoded<T> = { quality: number; bytes: number; data: T }
/** `next`: the better quality that no longer fits, and what it would weigh; null where none was tried. */
export type Budgeted<T> = Encoded<T> & { fits: boolean; next: { quality: number; bytes: number } | null }

/**
 * The best quality whose file stays within a budget, by halving.
 *
 * @param budget bytes at most; null takes the best quality
 * @returns the best that fits; where none does, the smallest, with `fits` false
 */
export async function withinBudget<T>(
  encode: (quality: number) => Promise<{ bytes: number; data: T }>,
  budget: number | null,
): Promise<Budgeted<T>> {
  const tryAt = async (quality: number) => ({ quality, ...(await encode(quality)) })
  const best = await tryAt(QUALITY.most)
  if (budget === null || best.bytes <= budget) return { ...best, fits: true, next: null }
  const smallest = await tryAt(QUALITY.least)
  if (smallest.bytes > budget) return { ...smallest, fits: false, next: null }
  let [low, high] = [QUALITY.least as number, QUALITY.most as number]
  let found = smallest
  let next = { quality: best.quality, bytes: best.bytes }
  while (high - low > 1) {
    const middle = (low + high) >> 1
    const tried = await tryAt(middle)
    if (tried.bytes <= budget) {
      found = tried
      low = middle
    } else {
      high = middle
      next = { quality: middle, bytes: tried.bytes }
    }
  }
  return { ...found, fits: true, next }
}
