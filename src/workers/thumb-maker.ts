import type { ServedImage } from '@/core/crawl'
import { MAX_WORKED_PIXELS } from '@/core/image'
import { hasThumb, keepThumb } from '@/store/images'
import { hasOriginal, keepOriginal, trimPictures } from '@/store/kept-pictures'
import { thumbKey } from '@/store/thumb-key'
import { decode } from './decode'

/** Twice the width at which the wall draws a card. */
export const THUMB_WIDTH_PX = 560
/** The stream and the pictures share the browser's six connections to the server. */
const AT_ONCE = 3

/** How long the app's server may take for a picture that it has read before, in ms: a run does not wait for it for ever. */
const SERVED_WITHIN_MS = 20_000

/** Makes small copies of pictures, off the main thread, and keeps them. */
export class ThumbMaker {
  private readonly waiting: ServedImage[] = []
  private running = 0
  private resolveDone: (() => void) | null = null

  /** @param ownPicture a picture of a build that the browser holds; null for one that the server must serve */
  constructor(private readonly ownPicture: (url: string) => Promise<Blob | null>) {}

  add(image: ServedImage): void {
    const isTooLarge = (image.width ?? 0) * (image.height ?? 0) > MAX_WORKED_PIXELS
    if (image.errorCode !== null || isTooLarge) return
    this.waiting.push(image)
    this.fill()
  }

  /** Makes no more of them: there is no room, or they are no longer waited for. */
  stop(): void {
    this.waiting.length = 0
  }

  /** Resolves when everything that was added has been tried. */
  async done(): Promise<void> {
    if (this.running > 0 || this.waiting.length > 0) {
      await new Promise<void>((resolve) => {
        this.resolveDone = resolve
      })
    }
    await trimPictures()
  }

  private fill(): void {
    while (this.running < AT_ONCE) {
      const image = this.waiting.shift()
      if (!image) break
      this.running++
      // A picture that can't be drawn has no thumb; the card says so by itself.
      void makeThumb(image, this.ownPicture)
        .catch(() => undefined)
        .finally(() => {
          this.running--
          this.fill()
        })
    }
    if (this.running === 0 && this.waiting.length === 0) this.resolveDone?.()
  }
}

async function makeThumb(image: ServedImage, ownPicture: (url: string) => Promise<Blob | null>): Promise<void> {
  const key = thumbKey(image)
  const isSmallKept = await hasThumb(key)
  const isWholeKept = await hasOriginal(key)
  if (isSmallKept && isWholeKept) return
  const own = await ownPicture(image.url)
  // Files can't be asked for again once the tab is closed: what a picture is made better from is kept.
  if (own && !image.iconOnly && !isWholeKept) await keepOriginal(key, own)
  if (isSmallKept) return
  const blob = own ?? (await servedPicture(image.served))
  if (!blob) return
  // A drawing has no pixels to shrink, and no canvas in a worker takes it: it is kept as it is.
  const small = image.format === 'svg' ? blob : await shrink(blob)
  await keepThumb(key, small)
}

async function servedPicture(path: string | null): Promise<Blob | null> {
  if (path === null) return null
  const response = await fetch(path, { signal: AbortSignal.timeout(SERVED_WITHIN_MS) })
  return response.ok ? response.blob() : null
}

/** A small copy, as the wall draws it. */
export async function shrink(blob: Blob): Promise<Blob> {
  const { bitmap: whole } = await decode(blob)
  try {
    const scale = Math.min(1, THUMB_WIDTH_PX / whole.width)
    const [width, height] = [
      Math.max(1, Math.round(whole.width * scale)),
      Math.max(1, Math.round(whole.height * scale)),
    ]
    const canvas = new OffscreenCanvas(width, height)
    const pen = canvas.getContext('2d')!
    pen.imageSmoothingQuality = 'high'
    pen.drawImage(whole, 0, 0, width, height)
    return await canvas.convertToBlob({ type: 'image/webp', quality: 0.85 })
  } finally {
    whole.close()
  }
}
