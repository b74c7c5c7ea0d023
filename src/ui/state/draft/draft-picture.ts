'use client'

import type { PictureEntry } from '@/core/check'
import type { DraftFields } from '@/core/draft'
import type { RefitType, Shape } from '@/core/image'
import type { StoredImage, StoredRun } from '@/store/database'
import { draftsOf } from '@/store/drafts'
import { imagesOf, keepImages, keepThumb } from '@/store/images'
import { keepOriginal } from '@/store/kept-pictures'
import { pagesAt } from '@/store/pages'
import { digestOf } from '@/workers/digest'
import type { Refitted } from '@/workers/draw-refit'
import { onPicture } from '../pictures/picture-worker'
import { doStep } from './draft-history'
import { draftWith } from './make-draft'

/** Keeps a picture that was made here. @returns what a run knows of it, to be put among the run's pictures */
export async function keepMade(
  run: string,
  url: string,
  { blob, small: made }: { blob: Blob; small?: Blob | null },
  shape: Shape,
  type: RefitType | 'gif',
): Promise<StoredImage> {
  const hash = await digestOf(await blob.arrayBuffer())
  const small = made ?? (await onPicture('shrink', { picture: blob }))
  await keepThumb(hash, small)
  await keepOriginal(hash, blob)
  const image = {
    url,
    status: 200,
    format: type,
    ...shape,
    bytes: blob.size,
    alpha: false,
    animated: false,
    hash,
    contentType: blob.type,
    error: null,
    errorCode: null,
    iconOnly: false,
    served: null,
  }
  return { run, url, image, made: true }
}

/** Drafts the refitted picture, at the address that it will have, for every page that names the one it was made from. */
export async function draftPicture(
  run: StoredRun,
  entry: PictureEntry,
  refitted: Refitted,
  type: RefitType,
  address: string,
): Promise<number> {
  const { site } = run.source
  await keepImages([await keepMade(run.id, address, refitted, refitted.plan.shape, type)])
  const known = await imagesOf(run.id)
  const before = new Map((await draftsOf(site)).map((draft) => [draft.url, draft]))
  const pages = await pagesAt(
    run.id,
    entry.uses.map(({ page }) => page),
  )
  const now = new Date()
  const drafts = pages.flatMap((stored) => {
    if (!stored) return []
    const old = before.get(stored.url) ?? null
    const fields: DraftFields = { ...(old?.landedAt === null ? old.fields : {}), image: address }
    const after = draftWith(old, fields, { site, page: stored.page, imageOf: (url) => known.get(url), now })
    return [{ url: stored.url, before: old, after }]
  })
  await doStep({ site, label: 'the refitted picture', drafts })
  return drafts.length
}
