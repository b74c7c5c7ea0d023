'use client'

import type { Drawing } from '@/core/sheet'
import { imagesAt, thumbsAt } from '@/store/images'
import { thumbKey } from '@/store/thumb-key'

/** Key of a picture on a sheet: the same address may hold another picture in another run. */
export const pictureKey = (run: string, url: string) => `${run} ${url}`

/** Small copies of the pictures that a drawing shows, by their keys; those that there is no copy of are left out. */
export async function picturesOf({ steps }: Drawing): Promise<Map<string, Blob>> {
  const wanted = [...new Set(steps.flatMap((step) => (step.kind === 'picture' ? [step.picture] : [])))]
  const keys = wanted.map((key) => {
    const space = key.indexOf(' ')
    return { run: key.slice(0, space), url: key.slice(space + 1) }
  })
  const images = await imagesAt(keys)
  const thumbs = await thumbsAt(images.map((stored) => (stored ? thumbKey(stored.image) : '')))
  return new Map(wanted.flatMap((key, index) => (thumbs[index] ? [[key, thumbs[index].blob] as const] : [])))
}
