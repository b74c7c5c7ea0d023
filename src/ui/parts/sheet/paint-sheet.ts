'use client'

import { boxFor, type Drawing, fillOf, inks, type Step, UNDERLINE_PX } from '@/core/sheet'

const FAMILY = 'Arimo, Arial, Helvetica, sans-serif'
/** Pixels for one px of the drawing, so that letters stay sharp; fewer where the picture would be too large for a canvas. */
const SHARP = 2
/** Longest side of a canvas that every browser paints (Chromium 16,384; older ones of others less), in pixels. */
const MAX_SIDE = 16_000
/** Most pixels of one: 100 million take 400 MB while it is painted. */
const MAX_PIXELS = 100_000_000

/** Pixels for one px of a drawing. */
export function scaleOf({ widthPx, heightPx }: Pick<Drawing, 'widthPx' | 'heightPx'>): number {
  return Math.min(SHARP, MAX_SIDE / widthPx, MAX_SIDE / heightPx, Math.sqrt(MAX_PIXELS / (widthPx * heightPx)))
}

/** The part of a picture that covers a box of this ratio: its middle. */
export function covering(picture: { width: number; height: number }, ratio: number) {
  const width = Math.min(picture.width, picture.height * ratio)
  const height = Math.min(picture.height, picture.width / ratio)
  return { x: (picture.width - width) / 2, y: (picture.height - height) / 2, width, height }
}

function paint(pen: CanvasRenderingContext2D, step: Step, pictures: ReadonlyMap<string, ImageBitmap>): void {
  if (step.kind === 'text') {
    pen.font = `${step.weight} ${step.sizePx}px ${FAMILY}`
    pen.fillStyle = inks[step.ink]
    pen.fillText(step.text, step.x, step.baseline)
    if (step.underlined) pen.fillRect(step.x, step.baseline + UNDERLINE_PX, pen.measureText(step.text).width, 1)
    return
  }
  pen.beginPath()
  pen.roundRect(step.x, step.y, step.width, step.height, step.kind === 'picture' ? [...step.corners] : step.radius)
  if (step.kind === 'box') {
    if (step.fill) {
      pen.fillStyle = fillOf(step.fill)
      pen.fill()
    }
    if (step.line) {
      pen.strokeStyle = inks[step.line]
      pen.setLineDash(step.dashed ? [5, 4] : [])
      pen.stroke()
    }
    return
  }
  const picture = pictures.get(step.picture)
  if (!picture) {
    pen.fillStyle = inks[boxFor(step)]
    pen.fill()
    return
  }
  const { x, y, width, height } = covering(picture, step.width / step.height)
  pen.save()
  pen.clip()
  pen.drawImage(picture, x, y, width, height, step.x, step.y, step.width, step.height)
  pen.restore()
}

/** A drawing as PNG. Pictures that can't be decoded are left as a grey box. */
export async function sheetAsPng(drawing: Drawing, blobs: ReadonlyMap<string, Blob>): Promise<Blob> {
  // A face that isn't loaded yet would be painted as another.
  await Promise.all([400, 600, 700].map((weight) => document.fonts.load(`${weight} 16px Arimo`).catch(() => [])))
  const decoded = await Promise.all(
    [...blobs].map(async ([key, blob]) => [key, await createImageBitmap(blob).catch(() => null)] as const),
  )
  const pictures = new Map(decoded.flatMap(([key, bitmap]) => (bitmap ? [[key, bitmap] as const] : [])))
  const scale = scaleOf(drawing)
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(drawing.widthPx * scale)
  canvas.height = Math.round(drawing.heightPx * scale)
  const pen = canvas.getContext('2d')
  if (!pen) throw new Error('This browser has no canvas of that size. Save it as SVG instead.')
  pen.scale(scale, scale)
  for (const step of drawing.steps) paint(pen, step, pictures)
  for (const bitmap of pictures.values()) bitmap.close()
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be written.'))),
      'image/png',
    ),
  )
}
