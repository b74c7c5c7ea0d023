import { createHash } from 'node:crypto'
import { withoutUnnamedHost } from '@/core/address'

/** How much something holds, and a digest of it: what was taken out of it or put in afterwards shows. */
export type Contents = { pages: number; images: number; digest: string }

/** Counts and digests entry by entry: no text has to be as long as all of it. Entries are those of a document as written. */
export function contentsOf(pages: readonly unknown[], images: readonly unknown[]): Contents {
  const hash = createHash('sha256')
  for (const entry of [...pages, ...images]) hash.update(withoutUnnamedHost(JSON.stringify(entry))).update('\n')
  return { pages: pages.length, images: images.length, digest: `sha256:${hash.digest('hex')}` }
}

type Entries = { pages?: unknown; images?: unknown }

const listOf = (list: unknown): unknown[] => (Array.isArray(list) ? list : [])

/** What a later run may take over of a document: pages with their links, and images. Counted and digested. */
export function reusableOf({ pages, images }: Entries): Contents {
  const kept = listOf(pages).flatMap((page) => {
    const { url, fetch, facts, kept: links } = page as Record<string, unknown>
    return links === undefined ? [] : [[url, fetch, facts, links]]
  })
  const seen = listOf(images).map((image) => ({ ...(image as object), usedBy: undefined }))
  return contentsOf(kept, seen)
}
