import {
  BLUR_SHARE,
  CENTER,
  type Focus,
  type RefitPlan,
  type RefitType,
  type RefitWish,
  refitPlan,
  type Shape,
} from '@/core/image'
import { type Decoded, decode, drawPart } from './decode'
import { type EncodedPicture, encodeWithin } from './encode'

export type Refitted = EncodedPicture & { plan: RefitPlan }

export type Pen = OffscreenCanvasRenderingContext2D

/** Draws the outermost line of pixels of the picture on to the edges of the canvas. */
function extendEdges(pen: Pen, { shape, scaled, at }: RefitPlan): void {
  const { canvas } = pen
  const [right, bottom] = [at.x + scaled.width, at.y + scaled.height]
  pen.imageSmoothingEnabled = false
  if (at.x > 0) pen.drawImage(canvas, at.x, at.y, 1, scaled.height, 0, at.y, at.x, scaled.height)
  if (right < shape.width)
    pen.drawImage(canvas, right - 1, at.y, 1, scaled.height, right, at.y, shape.width - right, scaled.height)
  // The lines above and below take the whole width: the corners too.
  if (at.y > 0) pen.drawImage(canvas, 0, at.y, shape.width, 1, 0, 0, shape.width, at.y)
  if (bottom < shape.height)
    pen.drawImage(canvas, 0, bottom - 1, shape.width, 1, 0, bottom, shape.width, shape.height - bottom)
}

/**
 * Draws a picture over the whole canvas, blurred, around its focus.
 * @param share of the longer side: the blur's standard deviation
 */
export function drawCovering(pen: Pen, picture: Decoded, shape: Shape, share: number, focus: Focus = CENTER): void {
  const behind = refitPlan(picture, shape, focus, { kind: 'crop' }).crop
  const blur = share * Math.max(shape.width, shape.height)
  // A blur takes in what lies beyond the edge, where there is nothing: the picture behind is drawn larger than the shape.
  if (blur > 0) pen.filter = `blur(${blur}px)`
  const rim = 2 * blur
  const [width, height] = [shape.width + 2 * rim, shape.height + 2 * rim]
  drawPart(pen, picture, behind, { x: -rim, y: -rim, width, height })
  pen.filter = 'none'
}

function drawPlan(picture: Decoded, plan: RefitPlan, type: RefitType): OffscreenCanvas {
  const { shape, crop, scaled, at, fill } = plan
  const canvas = new OffscreenCanvas(shape.width, shape.height)
  const pen = canvas.getContext('2d')!
  // Places show transparent pixels on white or black: JPEG has none, and white is said.
  const ground = fill.kind === 'color' ? fill.color : type === 'jpeg' ? '#ffffff' : null
  if (ground) {
    pen.fillStyle = ground
    pen.fillRect(0, 0, shape.width, shape.height)
  }
  if (fill.kind === 'blur') drawCovering(pen, picture, shape, BLUR_SHARE)
  pen.imageSmoothingQuality = 'high'
  drawPart(pen, picture, crop, { ...at, ...scaled })
  if (fill.kind === 'extend') extendEdges(pen, plan)
  return canvas
}

/**
 * Makes a picture fit a shape and a budget, in a worker. Orientation is applied, metadata is left behind, colours become
 * sRGB: a canvas holds nothing else. The original is not changed.
 */
export async function drawRefit(original: Blob, wish: RefitWish): Promise<Refitted> {
  const picture = await decode(original)
  try {
    const plan = refitPlan(picture, wish.shape, wish.focus, wish.fill)
    const canvas = drawPlan(picture, plan, wish.type)
    return { ...(await encodeWithin(canvas, wish.type, wish.budget)), plan }
  } finally {
    picture.bitmap.close()
  }
}
