'use client'

import { isWholePicture, readImageHeader } from '@/core/image'
import type { GatheredImage, ImageFormat } from '@/core/model'
import type { StoredImage } from '@/store/database'
import { keepImages } from '@/store/images'
import { MAX_ORIGINAL } from '@/store/kept-pictures'
import { digestOf } from '@/workers/digest'
import { keepMade } from './draft-picture'

/** Formats that places show in a card, with the ending that a file of it has. */
const TAKEN = { jpeg: 'jpg', png: 'png', webp: 'webp', gif: 'gif' } as const
type TakenFormat = keyof typeof TAKEN

/** File types that are asked for. */
export const OWN_PICTURE_TYPES = 'image/jpeg,image/png,image/webp,image/gif'

const isTaken = (format: ImageFormat): format is TakenFormat => Object.hasOwn(TAKEN, format)

/** What a picture of one's own is: of a format that cards can show, whole, and light enough to be kept. */
export type OwnPicture = { bytes: Uint8Array<ArrayBuffer>; format: TakenFormat; width: number; height: number }

/** @throws Error with words for the person who chose the file */
export async function readOwnPicture(file: Blob & { name?: string }): Promise<OwnPicture> {
  const name = file.name || 'The picture'
  if (file.size > MAX_ORIGINAL)
    throw new Error(
      `${name} has ${Math.round(file.size / 1_000_000)} MB. At most ${MAX_ORIGINAL / 1_000_000} MB can be kept here: make it smaller first.`,
    )
  const bytes = new Uint8Array(await file.arrayBuffer())
  const reading = readImageHeader(bytes)
  if (reading.kind === 'empty') throw new Error(`${name} is empty.`)
  if (reading.kind === 'not-image') throw new Error(`${name} is not an image. JPEG, PNG, WebP and GIF are taken.`)
  if (!isTaken(reading.format))
    throw new Error(
      `${name} is ${reading.format.toUpperCase()}, which places do not show. Save it as JPEG, PNG or WebP.`,
    )
  const { format } = reading
  if (reading.kind === 'damaged' || !isWholePicture(bytes, format))
    throw new Error(`${name} is damaged or cut short. Export it again.`)
  const { width, height } = reading
  if (!width || !height) throw new Error(`${name} does not say how large it is. Export it again.`)
  return { bytes, format, width, height }
}

/** The folder that most images of the site are in, as an address below it; `img/` where there is none. */
function folderOf(site: string, images: Iterable<Pick<GatheredImage, 'url' | 'iconOnly'>>): string {
  const folders = new Map<string, number>()
  for (const { url, iconOnly } of images) {
    if (iconOnly || !url.startsWith(site)) continue
    const folder = new URL('.', url).href
    folders.set(folder, (folders.get(folder) ?? 0) + 1)
  }
  const [most] = [...folders].sort((a, b) => b[1] - a[1])
  return most?.[0] ?? new URL('img/', site).href
}

/**
 * Where a picture of one's own will be in the build: under its name, in the folder of most images, beside whatever is
 * there. The same picture keeps its place.
 *
 * @param known images of the run, whose addresses are taken
 */
export function ownPictureAddress(
  name: string,
  format: TakenFormat,
  hash: string,
  site: string,
  known: ReadonlyMap<string, Pick<GatheredImage, 'url' | 'iconOnly' | 'hash'>>,
): string {
  const folder = folderOf(site, known.values())
  const plain =
    name
      .normalize('NFKD')
      .replace(/\.[a-z0-9]{2,5}$/i, '')
      .replace(/[^\w-]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60)
      .toLowerCase() || 'share-image'
  for (let number = 1; ; number++) {
    const url = new URL(`${plain}${number === 1 ? '' : `-${number}`}.${TAKEN[format]}`, folder).href
    const there = known.get(url)
    if (!there || there.hash === hash) return url
  }
}

/** Takes a picture of one's own among the pictures of a run, to be drafted. @throws Error with words for people */
export async function takeOwnPicture(
  run: string,
  site: string,
  file: Blob & { name?: string },
  known: ReadonlyMap<string, GatheredImage>,
): Promise<StoredImage> {
  const { bytes, format, width, height } = await readOwnPicture(file)
  const hash = await digestOf(bytes.buffer)
  const address = ownPictureAddress(file.name ?? '', format, hash, site, known)
  const blob = new Blob([bytes], { type: `image/${format}` })
  const kept = await keepMade(run, address, { blob }, { width, height }, format)
  await keepImages([kept])
  return kept
}
