import type { PictureEntry } from '@/core/check'
import { shareLost } from '@/core/image'
import { type GatheredImage, LEVELS, type Level } from '@/core/model'
import type { CropResult } from '@/core/surface'
import { bytes } from '../../kit/words'

/** Address of a picture as its site writes it; whole where it is elsewhere. */
export function pathOfPicture(url: string, site: string): string {
  return url.startsWith(site) ? `/${url.slice(site.length)}` : url.replace(/^https?:\/\//, '')
}

/** `1200 × 630 jpeg, 188 KB`; without the format where the name says it. */
export function pictureInShort(image: GatheredImage | undefined, hasFormat = true): string {
  if (!image) return 'not read'
  const size = image.width === null ? null : `${image.width} × ${image.height}`
  const parts = [
    [size, hasFormat && image.format].filter(Boolean).join(' '),
    image.bytes === null ? '' : bytes(image.bytes),
  ]
  return parts.filter(Boolean).join(', ') || (image.error ?? 'not read')
}

/** What is most to be known about a picture, in two or three words, with its level; null when all is well. */
export function mostToKnow(
  entry: PictureEntry,
  image: GatheredImage | undefined,
  kept: readonly CropResult[],
): { level: Level; words: string } | null {
  if (image?.errorCode) {
    const words = image.status !== null && image.status !== 200 ? `answers ${image.status}` : image.errorCode
    return { level: 'error', words: words.replaceAll('-', ' ') }
  }
  const worst = entry.findings[0]
  if (!worst) return null
  const size = image?.width && image.height ? { width: image.width, height: image.height } : null
  const lost = size
    ? Math.max(
        0,
        ...kept.map((one) => (one.kind === 'kept' && one.layout !== 'thumbnail' ? shareLost(size, one.crop) : 0)),
      )
    : 0
  if (worst.rule === 'image-shape') return { level: worst.level, words: `${Math.round(lost * 100)} % cropped away` }
  return { level: worst.level, words: worst.rule.replace(/^image-/, '').replaceAll('-', ' ') }
}

const pictureOrders = ['most-pages', 'worst', 'heaviest', 'smallest'] as const
export type PictureOrder = (typeof pictureOrders)[number]

const ORDER: readonly (Level | undefined)[] = [...LEVELS, undefined]

/** Pictures in an order; what is not known comes last. */
export function orderPictures(
  entries: readonly PictureEntry[],
  images: ReadonlyMap<string, GatheredImage>,
  order: PictureOrder,
): PictureEntry[] {
  const area = ({ url }: PictureEntry) => {
    const image = images.get(url)
    return image?.width && image.height ? image.width * image.height : Number.POSITIVE_INFINITY
  }
  const weight = ({ url }: PictureEntry) => images.get(url)?.bytes ?? -1
  const rank = (entry: PictureEntry) =>
    images.get(entry.url)?.errorCode ? -1 : ORDER.indexOf(entry.findings[0]?.level)
  const compare: Record<PictureOrder, (a: PictureEntry, b: PictureEntry) => number> = {
    'most-pages': () => 0,
    worst: (a, b) => rank(a) - rank(b),
    heaviest: (a, b) => weight(b) - weight(a),
    smallest: (a, b) => (area(a) < area(b) ? -1 : area(a) > area(b) ? 1 : 0),
  }
  // Equal ones stay as they are: by the pages that they feed.
  return [...entries].sort(compare[order])
}
