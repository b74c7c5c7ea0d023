import sharp, { type OverlayOptions, type Sharp } from 'sharp'
import { type ComposePlan, type ComposeTexts, composePlan, type PictureTemplate, panelColor } from '@/core/compose'
import { type Focus, refitPlan, type Shape } from '@/core/image'
import { type Surface, surfacesWith } from '@/core/surface'
import { encodeWithin } from '../refit'
import type { ComposeFace } from './compose-face'

export type ComposedPicture = { bytes: Uint8Array; quality: number | null; fits: boolean; plan: ComposePlan }

const MAX_PIXELS = 100_000_000

const svg = (width: number, height: number, inside: string) =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${inside}</svg>`)

/** The page's own picture, and what crops of it keep. */
export type Ground = { bytes: Uint8Array; focus: Focus }

/** The picture over a shape whole, cut around its focus. */
async function covering({ bytes, focus }: Ground, ground: string, shape: Shape): Promise<Sharp> {
  const { autoOrient: size } = await sharp(bytes, { limitInputPixels: MAX_PIXELS }).metadata()
  const { x: left, y: top, width, height } = refitPlan(size, shape, focus, { kind: 'crop' }).crop
  return sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' })
    .autoOrient()
    .flatten({ background: ground })
    .extract({ left, top, width, height })
    .resize(shape.width, shape.height, { fit: 'fill' })
}

/** What stands behind everything. @param picture the page's own; null: it has none */
async function groundOf({ background, shape }: PictureTemplate, picture: Ground | null): Promise<Sharp> {
  const { width, height } = shape
  if (background.kind === 'gradient') {
    const angleRadians = (background.angle * Math.PI) / 180
    const [x, y] = [Math.sin(angleRadians), -Math.cos(angleRadians)]
    // As CSS has it: the line is so long that the corners get the end colours.
    const half = (Math.abs(width * x) + Math.abs(height * y)) / 2
    const [fromX, fromY, toX, toY] = [
      width / 2 - x * half,
      height / 2 - y * half,
      width / 2 + x * half,
      height / 2 + y * half,
    ]
    return sharp(
      svg(
        width,
        height,
        `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="${fromX}" y1="${fromY}" x2="${toX}" y2="${toY}"><stop offset="0" stop-color="${background.from}"/><stop offset="1" stop-color="${background.to}"/></linearGradient><rect width="${width}" height="${height}" fill="url(#g)"/>`,
      ),
    )
  }
  const color = background.kind === 'color' ? background.color : background.shade
  const plain = sharp({ create: { width, height, channels: 3, background: color } })
  if (background.kind !== 'picture' || !picture) return plain
  const blur = background.blur * Math.max(width, height)
  // A blur takes in what lies beyond the edge: the picture behind is drawn larger than the shape, and cut.
  const rim = Math.round(2 * blur)
  const [wide, high] = [width + 2 * rim, height + 2 * rim]
  // As large a part of the picture as the shape shows, on the larger ground: the blur alone looks beyond the edge.
  const behind = await covering(picture, color, shape)
  behind.resize(wide, high, { fit: 'fill' })
  const shaded = blur > 0 ? behind.blur(Math.max(0.3, blur)) : behind
  const cut = await shaded
    .extract({ left: rim, top: rim, width, height })
    .toColourspace('srgb')
    .png({ compressionLevel: 0 })
    .toBuffer()
  const shade = svg(
    width,
    height,
    `<rect width="${width}" height="${height}" fill="${color}" fill-opacity="${background.strength}"/>`,
  )
  return sharp(cut).composite([{ input: shade }])
}

/** The page's own picture over a part of the shape; the accent's colour where there is none. */
async function placedPanel(
  template: PictureTemplate,
  { panel }: ComposePlan,
  picture: Ground | null,
): Promise<OverlayOptions[]> {
  if (!panel) return []
  const { x: left, y: top, width, height } = panel
  const color = panelColor(template)
  const made = picture
    ? await covering(picture, color, { width, height })
    : sharp({ create: { width, height, channels: 3, background: color } })
  return [{ input: await made.png({ compressionLevel: 0 }).toBuffer(), left, top }]
}

/** The mark, as large as the plan has it. */
async function placedMark(mark: Uint8Array, { markPicture }: ComposePlan): Promise<OverlayOptions[]> {
  if (!markPicture) return []
  const [width, height] = [Math.max(1, Math.round(markPicture.width)), Math.max(1, Math.round(markPicture.height))]
  const input = await sharp(mark, { density: 300, limitInputPixels: MAX_PIXELS })
    .resize(width, height, { fit: 'fill' })
    .png()
    .toBuffer()
  return [{ input, left: Math.round(markPicture.x), top: Math.round(markPicture.y) }]
}

/** Composes one page's share picture, as the app does: the same plan, its letters as outlines. */
export async function drawComposed(
  template: PictureTemplate,
  texts: ComposeTexts,
  face: ComposeFace,
  { picture, mark }: { picture: Ground | null; mark: Uint8Array | null },
  places: readonly Surface[] = surfacesWith([]),
): Promise<ComposedPicture> {
  const { shape, color, type, budget } = template
  const { width: markWidth, height: markHeight } = mark ? await sharp(mark).metadata() : {}
  const markSize = markWidth && markHeight ? { width: markWidth, height: markHeight } : null
  const plan = composePlan(template, texts, markSize, face, places)
  const lines = [...plan.title, ...(plan.line ? [plan.line] : []), ...(plan.markText ? [plan.markText] : [])]
  const letters = lines.map((line) => face.outline(line, plan.align, plan.direction)).join('')
  const written = svg(shape.width, shape.height, `<path fill="${color}" d="${letters}"/>`)
  const ground = await (await groundOf(template, picture)).png({ compressionLevel: 0 }).toBuffer()
  const panel = await placedPanel(template, plan, picture)
  const marks = plan.accents.map(
    ({ x, y, width, height }) =>
      `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${template.accent?.color ?? color}"/>`,
  )
  const accents = marks.length > 0 ? [{ input: svg(shape.width, shape.height, marks.join('')) }] : []
  const whole = sharp(ground).composite([
    ...panel,
    ...accents,
    { input: written },
    ...(mark ? await placedMark(mark, plan) : []),
  ])
  const { data, info } = await whole.removeAlpha().raw().toBuffer({ resolveWithObject: true })
  const pixels = sharp(data, { raw: { width: info.width, height: info.height, channels: info.channels } })
  return { ...(await encodeWithin(pixels, type, budget)), plan }
}
