import {
  type ComposePlan,
  type ComposeTexts,
  channelsOf,
  composePlan,
  contrastOf,
  type FaceMetrics,
  luminance,
  type PictureTemplate,
  type PlacedLine,
  panelColor,
} from '@/core/compose'
import { type Crop, type Focus, refitPlan, type Shape } from '@/core/image'
import type { Surface } from '@/core/surface'
import { type Decoded, decode, drawPart } from './decode'
import { drawCovering, type Pen } from './draw-refit'
import { type EncodedPicture, encodeWithin } from './encode'
import { type OwnFace, readyFace } from './faces'
import { facesWith, lackingLetters } from './lacking-letters'
import { THUMB_WIDTH_PX } from './thumb-maker'

export type ComposeAsk = {
  template: PictureTemplate
  texts: ComposeTexts
  /** The page's own picture, where the template wants it and there is one. */
  ground: Blob | null
  /** By which the page's own picture is known; null where there is none. */
  groundKey: string | null
  /** What crops of it keep. */
  focus: Focus
  mark: Blob | null
  markKey: string | null
  face: OwnFace | null
  /** Files whose letters stand in for those that the face lacks. */
  also: OwnFace[]
  /** Width in px of a picture that is only looked at; null makes the file. */
  previewWidth: number | null
  /** Of the site: their crops make the zone that the type keeps to. */
  places: readonly Surface[]
}

export type Composed = EncodedPicture & {
  plan: ComposePlan
  /** Of the title to what it stands on, 1 to 21, where it stands out least but for a tenth of it. */
  contrast: number
  /** The face was found; else a plain one stands in. */
  isFaceKnown: boolean
  /** Letters that the face lacks: another stands in for them. */
  lacking: string[]
  /** Faces of this computer that have those. */
  helps: string[]
  /** A small copy for cards, of a picture that is made as a file. */
  small: Blob | null
}

function drawGround(pen: Pen, { background, shape }: PictureTemplate, picture: Decoded | null, focus: Focus): void {
  const { width, height } = shape
  if (background.kind === 'gradient') {
    const angleRadians = (background.angle * Math.PI) / 180
    const [x, y] = [Math.sin(angleRadians), -Math.cos(angleRadians)]
    // As CSS has it: the line is so long that the corners get the end colours.
    const half = (Math.abs(width * x) + Math.abs(height * y)) / 2
    const ramp = pen.createLinearGradient(
      width / 2 - x * half,
      height / 2 - y * half,
      width / 2 + x * half,
      height / 2 + y * half,
    )
    ramp.addColorStop(0, background.from)
    ramp.addColorStop(1, background.to)
    pen.fillStyle = ramp
    pen.fillRect(0, 0, width, height)
    return
  }
  pen.fillStyle = background.kind === 'color' ? background.color : background.shade
  pen.fillRect(0, 0, width, height)
  if (background.kind !== 'picture' || !picture) return
  drawCovering(pen, picture, shape, background.blur, focus)
  pen.globalAlpha = background.strength
  pen.fillRect(0, 0, width, height)
  pen.globalAlpha = 1
}

/** The page's own picture over a part of the shape; the accent's colour where there is none. */
function drawPanel(
  pen: Pen,
  { x, y, width, height }: Crop,
  template: PictureTemplate,
  picture: Decoded | null,
  focus: Focus,
): void {
  pen.fillStyle = panelColor(template)
  pen.fillRect(x, y, width, height)
  if (!picture) return
  const { crop } = refitPlan(picture, { width, height }, focus, { kind: 'crop' })
  drawPart(pen, picture, crop, { x, y, width, height })
}

/** Contrast that nine tenths of the ground beneath the title have at least. */
function contrastWith(pen: Pen, box: Crop, color: string): number {
  const [width, height] = [Math.max(1, Math.round(box.width)), Math.max(1, Math.round(box.height))]
  const { data } = pen.getImageData(Math.round(box.x), Math.round(box.y), width, height)
  const own = luminance(channelsOf(color))
  const step = 4 * Math.max(1, Math.floor((width * height) / 2000))
  const found: number[] = []
  for (let at = 0; at < data.length; at += step)
    found.push(contrastOf(own, luminance([data[at]!, data[at + 1]!, data[at + 2]!])))
  found.sort((a, b) => a - b)
  return found[Math.floor(found.length / 10)] ?? 1
}

function faceOn(pen: Pen, weight: number, family: string): FaceMetrics {
  const at = (sizePx: number) => {
    pen.font = `${weight} ${sizePx}px ${family}`
  }
  at(100)
  const { fontBoundingBoxAscent: ascent, fontBoundingBoxDescent: descent } = pen.measureText('Hg')
  const measure = (text: string, sizePx: number) => {
    at(sizePx)
    return pen.measureText(text).width
  }
  return { measure, ascent: ascent / 100, descent: descent / 100 }
}

const sizeOf = (picture: Decoded | null): Shape | null => picture && { width: picture.width, height: picture.height }

const unreadableMark = (error: Error) => {
  throw new Error(`The mark can’t be used. ${error.message} Choose a PNG, JPEG, WebP or SVG file.`)
}

/** Composes the share picture of one page, in a worker. */
export async function drawComposed({
  template,
  texts,
  ground,
  focus,
  mark,
  face,
  also,
  previewWidth,
  places,
}: ComposeAsk): Promise<Composed> {
  const { shape } = template
  const said = `${texts.title}${texts.line}${texts.mark}…`
  const { families, chosen, isKnown } = await readyFace(template.face.family, template.face.weight, face, also, said)
  // What none of them has comes from whatever the computer draws it with.
  const family = `${families}, sans-serif`
  const canvas = new OffscreenCanvas(shape.width, shape.height)
  const pen = canvas.getContext('2d', { willReadFrequently: true })!
  pen.imageSmoothingQuality = 'high'
  const picture = ground && (await decode(ground).catch(() => null))
  const markPicture = mark && (await decode(mark).catch(unreadableMark))
  try {
    drawGround(pen, template, picture, focus)
    const metrics = faceOn(pen, template.face.weight, family)
    const plan = composePlan(template, texts, sizeOf(markPicture), metrics, places)
    if (plan.panel) drawPanel(pen, plan.panel, template, picture, focus)
    pen.fillStyle = template.accent?.color ?? template.color
    for (const { x, y, width, height } of plan.accents) pen.fillRect(x, y, width, height)
    const contrast = contrastWith(pen, plan.titleBox, template.color)
    pen.fillStyle = template.color
    pen.textAlign = plan.align
    pen.direction = plan.direction
    const write = ({ text, x, y, sizePx }: PlacedLine) => {
      pen.font = `${template.face.weight} ${sizePx}px ${family}`
      pen.fillText(text, x, y)
    }
    for (const line of plan.title) write(line)
    if (plan.line) write(plan.line)
    if (plan.markText) write(plan.markText)
    if (markPicture && plan.markPicture) {
      const { x, y, width, height } = plan.markPicture
      pen.drawImage(markPicture.bitmap, x, y, width, height)
    }
    const made =
      previewWidth === null
        ? await encodeWithin(canvas, template.type, template.budget)
        : await preview(canvas, previewWidth)
    const lacking = isKnown ? lackingLetters(chosen, template.face.weight, said) : []
    const helps = lacking.length > 0 ? facesWith(lacking, template.face.weight) : []
    const small = previewWidth === null ? (await preview(canvas, THUMB_WIDTH_PX)).blob : null
    return { ...made, plan, contrast, isFaceKnown: isKnown, lacking, helps, small }
  } finally {
    picture?.bitmap.close()
    markPicture?.bitmap.close()
  }
}

async function preview(canvas: OffscreenCanvas, width: number): Promise<EncodedPicture> {
  const scale = Math.min(1, width / canvas.width)
  const small = new OffscreenCanvas(Math.round(canvas.width * scale), Math.round(canvas.height * scale))
  const pen = small.getContext('2d')!
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(canvas, 0, 0, small.width, small.height)
  const blob = await small.convertToBlob({ type: 'image/webp', quality: 0.9 })
  return { blob, quality: null, fits: true, next: null }
}
