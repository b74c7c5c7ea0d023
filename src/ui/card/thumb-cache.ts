'use client'

import { liveQuery } from 'dexie'
import { useEffect, useState } from 'react'
import { database } from '@/store/database'
import { thumbKey } from '@/workers/thumb-maker'

/** Object URLs kept open at most; the ones unused longest are closed first. */
const MOST_OPEN = 600

const open = new Map<string, string>()

function keep(key: string, url: string): void {
  open.delete(key)
  open.set(key, url)
  for (const [oldest, oldUrl] of open) {
    if (open.size <= MOST_OPEN) break
    open.delete(oldest)
    URL.revokeObjectURL(oldUrl)
  }
}

async function readThumb(run: string, imageUrl: string): Promise<string | null> {
  const stored = await database.images.get([run, imageUrl])
  if (!stored) return null
  const key = thumbKey(stored.image)
  const known = open.get(key)
  if (known) {
    keep(key, known)
    return known
  }
  const thumb = await database.thumbs.get(key)
  if (!thumb) return null
  const url = URL.createObjectURL(thumb.blob)
  keep(key, url)
  return url
}

/** Address of a picture's small copy; null while there is none. A copy that is made later is shown when it is there. */
export function useThumb(run: string, imageUrl: string | null): string | null {
  const [src, setSrc] = useState<string | null>(null)
  useEffect(() => {
    setSrc(null)
    if (imageUrl === null) return
    const copies = liveQuery(() => readThumb(run, imageUrl)).subscribe({
      next: (found) => found && setSrc(found),
      // Storage that can't be read has no pictures: the card stays hatched.
      error: () => undefined,
    })
    return () => copies.unsubscribe()
  }, [run, imageUrl])
  return src
}
