'use client'

import { MAX_WORKED_PIXELS } from '@/core/image'
import type { StoredImage } from '@/store/database'
import { keepThumb } from '@/store/images'
import { isRunWritten } from '@/store/runs'
import { thumbKey } from '@/store/thumb-key'
import { onPicture } from './picture-worker'
import { pictureAtHand } from './whole-picture'

/** Keys that were tried since the tab was opened: what could not be made then can't be made now. */
const tried = new Map<string, Promise<boolean>>()

/**
 * Makes the small copy of a picture again that a closed tab left unmade, from what is kept or served of it.
 *
 * @returns false: it can't be had any more, and only fetching again helps. null: the run is still making its copies
 */
export async function remakeCopy({ run, image }: StoredImage): Promise<boolean | null> {
  if (image.errorCode !== null) return false
  if ((image.width ?? 0) * (image.height ?? 0) > MAX_WORKED_PIXELS) return false
  const key = thumbKey(image)
  const before = tried.get(key)
  if (before) return before
  if (await isRunWritten(run)) return null
  const made = make(key, image).catch(() => false)
  tried.set(key, made)
  return made
}

async function make(key: string, image: StoredImage['image']): Promise<boolean> {
  const whole = await pictureAtHand(image, false)
  if (!whole) return false
  const small = image.format === 'svg' ? whole.blob : await onPicture('shrink', { picture: whole.blob })
  await keepThumb(key, small)
  return true
}
