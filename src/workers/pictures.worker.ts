import { zipSync } from 'fflate'

import {
  type Crop,
  colorsOfPixels,
  type DetailMap,
  detailMap,
  FOCUS_PX,
  type Focus,
  type Pixels,
  proposeFocus,
  type RefitWish,
} from '@/core/image'
import { type Recompression, recompressedSize } from '@/core/surface'
import { ensureEntryNames } from '@/core/text'
import { decode, drawPart } from './decode'
import { type ComposeAsk, type Composed, drawComposed } from './draw-composed'
import { drawRefit, type Refitted } from './draw-refit'
import { declareFaces, type ShippedFace } from './faces'
import { shrink } from './thumb-maker'
import { workerScope } from './worker-scope'

/** What can be asked of the worker that works on whole pictures, and what it answers. */
export type PictureWork = {
  /** Where a picture has detail. */
  detail: { asks: { picture: Blob }; gives: DetailMap }
  /** Colours that it is made of. */
  colors: { asks: { picture: Blob }; gives: string[] }
  /** Where its subject may be: a proposal. */
  focus: { asks: { picture: Blob }; gives: Focus }
  /** A part of a picture as a place scales and recompresses it. */
  recompress: {
    asks: { picture: Blob; crop: Crop; recompression: Recompression }
    gives: { blob: Blob; width: number; height: number }
  }
  refit: { asks: { picture: Blob; wish: RefitWish }; gives: Refitted }
  /** A share picture for one page. */
  compose: { asks: ComposeAsk; gives: Composed }
  /** Faces that ship with the app: a worker has none of the page's. */
  faces: { asks: { faces: readonly ShippedFace[] }; gives: null }
  /** A small copy for cards. */
  shrink: { asks: { picture: Blob }; gives: Blob }
  /** Files as a zip, not compressed: pictures are already. */
  pack: { asks: { files: Record<string, Uint8Array> }; gives: Blob }
}
export type PictureTask = keyof PictureWork
export type PictureAsk = { [T in PictureTask]: { id: number; task: T } & PictureWork[T]['asks'] }[PictureTask]
export type PictureAnswer = { id: number; gives: PictureWork[PictureTask]['gives'] } | { id: number; failed: string }

/** Longest side at which detail is looked for: lettering is seen, grain is not. */
const DETAIL_PX = 480

/** A picture's pixels on white, brought down to a longest side. */
async function pixelsOf(blob: Blob, longestPx: number): Promise<Pixels> {
  const { bitmap } = await decode(blob)
  const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height))
  const [width, height] = [
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  ]
  const pen = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!
  pen.imageSmoothingQuality = 'high'
  pen.fillStyle = '#ffffff'
  pen.fillRect(0, 0, width, height)
  pen.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  return { data: pen.getImageData(0, 0, width, height).data, width, height }
}

async function detailOf(blob: Blob): Promise<DetailMap> {
  const { data, width, height } = await pixelsOf(blob, DETAIL_PX)
  const grey = Uint8Array.from(
    { length: width * height },
    (_, index) => 0.299 * data[index * 4]! + 0.587 * data[index * 4 + 1]! + 0.114 * data[index * 4 + 2]!,
  )
  return detailMap(grey, width, height)
}

async function recompressed({ picture, crop, recompression }: PictureWork['recompress']['asks']) {
  const { width, height } = recompressedSize(crop, recompression)
  const source = await decode(picture)
  const canvas = new OffscreenCanvas(width, height)
  const pen = canvas.getContext('2d')!
  pen.imageSmoothingQuality = 'high'
  pen.fillStyle = '#ffffff'
  pen.fillRect(0, 0, width, height)
  drawPart(pen, source, crop, { x: 0, y: 0, width, height })
  source.bitmap.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: recompression.quality.value / 100 })
  return { blob, width, height }
}

function doTask(ask: PictureAsk): Promise<PictureWork[PictureTask]['gives']> {
  switch (ask.task) {
    case 'detail':
      return detailOf(ask.picture)
    case 'colors':
      return pixelsOf(ask.picture, FOCUS_PX).then(({ data }) => colorsOfPixels(data))
    case 'focus':
      return pixelsOf(ask.picture, FOCUS_PX).then(proposeFocus)
    case 'recompress':
      return recompressed(ask)
    case 'refit':
      return drawRefit(ask.picture, ask.wish)
    case 'compose':
      return drawComposed(ask)
    case 'faces':
      declareFaces(ask.faces)
      return Promise.resolve(null)
    case 'pack':
      ensureEntryNames(Object.keys(ask.files))
      return Promise.resolve(
        new Blob([zipSync(ask.files, { level: 0 }) as Uint8Array<ArrayBuffer>], { type: 'application/zip' }),
      )
    case 'shrink':
      return shrink(ask.picture)
  }
}

const scope = workerScope<PictureAsk, PictureAnswer>()

// One after the other: two decoded giants at once would take twice the memory.
let last: Promise<unknown> = Promise.resolve()
scope.addEventListener('message', ({ data }) => {
  last = last.then(async () => {
    try {
      scope.postMessage({ id: data.id, gives: await doTask(data) })
    } catch (error) {
      scope.postMessage({ id: data.id, failed: error instanceof Error ? error.message : String(error) })
    }
  })
})
