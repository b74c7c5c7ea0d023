'use client'

import type { TemplateFile } from '@/store/database'
import { asPixels } from '../../../state/pictures/whole-picture'

/** Longer side in px to which a mark that is a drawing is drawn: sharp at any size that a template allows. */
const MARK_PX = 1200

const drawings = new Map<string, Promise<Blob>>()

const keyOf = ({ name, savedAt }: TemplateFile) => `${name}\n${savedAt}`

const isDrawing = ({ name, blob }: TemplateFile) => blob.type === 'image/svg+xml' || /\.svg$/i.test(name)

/** Size of a drawing in its own px; a square where it has none. */
async function sizeOfDrawing(blob: Blob): Promise<{ width: number; height: number }> {
  const url = URL.createObjectURL(blob)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    const { naturalWidth: width, naturalHeight: height } = image
    return width > 0 && height > 0 ? { width, height } : { width: 100, height: 100 }
  } finally {
    URL.revokeObjectURL(url)
  }
}

async function draw(blob: Blob): Promise<Blob> {
  const svg = new Blob([blob], { type: 'image/svg+xml' })
  const { width, height } = await sizeOfDrawing(svg).catch(() => {
    throw new Error('The mark’s drawing can’t be drawn.')
  })
  const scale = MARK_PX / Math.max(width, height)
  return asPixels(svg, width * scale, height * scale)
}

/** The mark as pixels: a worker takes no drawings. Each is drawn once. */
export function markPixels(file: TemplateFile): Promise<Blob> {
  if (!isDrawing(file)) return Promise.resolve(file.blob)
  const key = keyOf(file)
  const drawn = drawings.get(key) ?? draw(file.blob)
  drawings.set(key, drawn)
  return drawn
}

/** A font file with a key that changes with its bytes. */
export const faceOf = (file: TemplateFile) => ({ key: keyOf(file), blob: file.blob })
