import sharp, { type Sharp } from 'sharp'
import {
  BLUR_SHARE,
  CENTER,
  type Fill,
  MAX_WORKED_PIXELS,
  type RefitPlan,
  type RefitType,
  type RefitWish,
  refitPlan,
  type Shape,
  scaledToPixels,
  tooManyPixels,
  withinBudget,
} from '@/core/image'

/** A larger picture is scaled down as it is decoded: about 75 MB of raw pixels are held of it. */
const HELD_PIXELS = 25_000_000

export type Refitted = { bytes: Uint8Array; quality: number | null; plan: RefitPlan; fits: boolean }

/** The picture can't be read. The message can be shown. */
export class BadPicture extends Error {}

/** The plan as it is carried out on a picture that is held smaller. */
function heldPlan(plan: RefitPlan, size: Shape, held: Shape): RefitPlan {
  if (held.width === size.width) return plan
  const scale = held.width / size.width
  const [x, y] = [Math.floor(plan.crop.x * scale), Math.floor(plan.crop.y * scale)]
  const width = Math.max(1, Math.min(held.width - x, Math.round(plan.crop.width * scale)))
  const height = Math.max(1, Math.min(held.height - y, Math.round(plan.crop.height * scale)))
  return { ...plan, crop: { x, y, width, height } }
}

async function drawn(source: Sharp, plan: RefitPlan, type: RefitType): Promise<Sharp> {
  const { crop, scaled, shape, at, fill } = plan
  // Every step changes the picture that it is asked of: the one behind is made from a copy.
  const whole = source.clone()
  const cut = source
    .extract({ left: crop.x, top: crop.y, width: crop.width, height: crop.height })
    .resize(scaled.width, scaled.height, { fit: 'fill', kernel: 'lanczos3' })
  if (fill.kind === 'blur') {
    const behind = refitPlan(crop, shape, CENTER, { kind: 'crop' })
    const blurred = await whole
      .extract({ left: behind.crop.x, top: behind.crop.y, width: behind.crop.width, height: behind.crop.height })
      .resize(shape.width, shape.height, { fit: 'fill' })
      .blur(Math.max(0.3, BLUR_SHARE * Math.max(shape.width, shape.height)))
      .png({ compressionLevel: 0 })
      .toBuffer()
    const front = await cut.png({ compressionLevel: 0 }).toBuffer()
    return flattened(sharp(blurred).composite([{ input: front, left: at.x, top: at.y }]), fill, type)
  }
  if (fill.kind !== 'crop') {
    const edges = {
      left: at.x,
      top: at.y,
      right: shape.width - scaled.width - at.x,
      bottom: shape.height - scaled.height - at.y,
    }
    cut.extend(fill.kind === 'extend' ? { ...edges, extendWith: 'copy' } : { ...edges, background: fill.color })
  }
  return flattened(cut, fill, type)
}

/** Pixels once: every quality is tried on them. Metadata is left behind, colours are sRGB. */
async function flattened(picture: Sharp, fill: Fill, type: RefitType): Promise<Sharp> {
  // Places show transparent pixels on white or black: JPEG has none, and white is said.
  if (type === 'jpeg') picture.flatten({ background: fill.kind === 'color' ? fill.color : '#ffffff' })
  const { data, info } = await picture.toColourspace('srgb').raw().toBuffer({ resolveWithObject: true })
  return sharp(data, { raw: { width: info.width, height: info.height, channels: info.channels } })
}

function encoded(picture: Sharp, type: RefitType, quality: number): Promise<Buffer> {
  const copy = picture.clone()
  if (type === 'png') return copy.png({ compressionLevel: 9, palette: quality < 90, quality }).toBuffer()
  return type === 'webp' ? copy.webp({ quality }).toBuffer() : copy.jpeg({ quality, mozjpeg: true }).toBuffer()
}

/** A picture as a file within a weight: the best quality that keeps it. `fits` false: the lightest that there is. */
export async function encodeWithin(
  picture: Sharp,
  type: RefitType,
  budget: number | null,
): Promise<{ bytes: Uint8Array; quality: number | null; fits: boolean }> {
  const made = await withinBudget(async (quality) => {
    const file = await encoded(picture, type, quality)
    return { bytes: file.length, data: file }
  }, budget)
  return { bytes: new Uint8Array(made.data), quality: type === 'png' ? null : made.quality, fits: made.fits }
}

/**
 * Makes a picture fit a shape and a budget. Orientation is applied, metadata is left behind, colours become sRGB. The
 * source is not changed.
 *
 * @throws BadPicture when the bytes are no picture that can be decoded
 */
export async function refit(bytes: Uint8Array, wish: RefitWish): Promise<Refitted> {
  try {
    const read = sharp(bytes, { limitInputPixels: false, failOn: 'error' })
    const { autoOrient: size } = await read.metadata()
    if (size.width * size.height > MAX_WORKED_PIXELS) throw new Error(tooManyPixels(size))
    const held = scaledToPixels(size, HELD_PIXELS)
    const oriented = read.autoOrient()
    // Formats that can are decoded at a half, a quarter or an eighth of their size for this.
    if (held.width < size.width) oriented.resize(held.width, held.height, { fit: 'fill' })
    const data = await oriented.png({ compressionLevel: 0 }).toBuffer()
    const plan = refitPlan(size, wish.shape, wish.focus, wish.fill)
    const picture = await drawn(sharp(data, { limitInputPixels: false }), heldPlan(plan, size, held), wish.type)
    return { ...(await encodeWithin(picture, wish.type, wish.budget)), plan }
  } catch (error) {
    throw new BadPicture(error instanceof Error ? error.message : String(error))
  }
}
