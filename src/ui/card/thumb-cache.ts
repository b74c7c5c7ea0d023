'use client'

import { useEffect, useState } from 'react'
import { database } from '@/store/database'
import { thumbKey } from '@/workers/thumb-maker'

/** Object URLs kept open at most; the ones unused longest are closed first. */
const MOST_OPEN = 600

const open = new Map<string, string>()
const asked = new Map<string, Promise<string | null>>()

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

/** How long to wait before asking again for a thumb that is still being made. */
const RETRY_MS = 700
const TRIES = 8

/** Address of a picture's small copy; null while there is none. */
export function useThumb(run: string, imageUrl: string | null): string | null {
  const [src, setSrc] = useState<string | null>(null)
  useEffect(() => {
    let isGone = false
    let timer: ReturnType<typeof setTimeout> | undefined
    setSrc(null)
    const look = async (tries: number) => {
      if (imageUrl === null) return
      const key = `${run} ${imageUrl}`
      const reading = asked.get(key) ?? readThumb(run, imageUrl)
      asked.set(key, reading)
      const found = await reading.finally(() => asked.delete(key))
      if (isGone) return
      if (found) setSrc(found)
      else if (tries > 0) timer = setTimeout(() => void look(tries - 1), RETRY_MS)
    }
    void look(TRIES)
    return () => {
      isGone = true
      clearTimeout(timer)
    }
  }, [run, imageUrl])
  return src
}
