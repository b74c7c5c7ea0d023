'use client'

import { liveQuery } from 'dexie'
import { useEffect, useState } from 'react'
import { imagesAt, picturesKept, thumbsAt } from '@/store/images'
import { thumbKey } from '@/store/thumb-key'
import { remakeCopy } from '../../state/pictures/remake-copy'

/** Object URLs kept open at most; the ones unused longest are closed first. */
const MAX_OPEN = 600

const open = new Map<string, string>()

function keep(key: string, url: string): void {
  open.delete(key)
  open.set(key, url)
  for (const [oldest, oldUrl] of open) {
    if (open.size <= MAX_OPEN) break
    open.delete(oldest)
    URL.revokeObjectURL(oldUrl)
  }
}

/** A picture that is waited for: who wants it, and what to do with its address; null: there will be none. */
export type Wish = { run: string; url: string; take: (src: string | null) => void }

/** How long wishes are gathered, in ms. Cards that a fast scroll only passes are gone by then, and ask for nothing. */
const GATHER_MS = 40

/** How long until a copy is asked for again that a run may still make, in ms. */
const LOOK_AGAIN_MS = 2000

const wishes = new Set<Wish>()
/** Wishes whose small copy isn't made yet: asked for again when one comes. */
const unmet = new Set<Wish>()
let isWaiting = false
let watch: { unsubscribe(): void } | null = null
/** Key of each picture that was looked up. A run's pictures don't change once they are there. */
const keys = new Map<string, string>()
const nameOf = ({ run, url }: Pick<Wish, 'run' | 'url'>) => `${run} ${url}`

function ask(wish: Wish): void {
  wishes.add(wish)
  if (isWaiting) return
  isWaiting = true
  setTimeout(() => {
    isWaiting = false
    // Storage that can't be read has no pictures: the cards stay hatched.
    void meet().catch(() => undefined)
  }, GATHER_MS)
}

/** Reads all that is wished for at once: two questions to the database, however many cards there are. */
async function meet(): Promise<void> {
  const asked = [...wishes]
  wishes.clear()
  const unknown = asked.filter((wish) => !keys.has(nameOf(wish)))
  const images = await imagesAt(unknown)
  for (const [index, stored] of images.entries()) if (stored) keys.set(nameOf(unknown[index]!), thumbKey(stored.image))
  const wanted = [...new Set(asked.flatMap((wish) => keys.get(nameOf(wish)) ?? []))].filter((key) => !open.has(key))
  for (const thumb of await thumbsAt(wanted)) {
    if (thumb) keep(thumb.key, URL.createObjectURL(thumb.blob))
  }
  const lacking = asked.filter((wish) => {
    const src = openOf(wish.run, wish.url)
    if (src) wish.take(src)
    else unmet.add(wish)
    return !src
  })
  watchForCopies()
  await remake(lacking)
}

/** Has copies made that nothing is making any more, and says which there can be none of. */
async function remake(lacking: readonly Wish[]): Promise<void> {
  if (lacking.length === 0) return
  const images = await imagesAt(lacking)
  for (const [index, stored] of images.entries()) {
    // A picture that the run has not read yet may still come.
    if (!stored || !unmet.has(lacking[index]!)) continue
    const wish = lacking[index]!
    const isMade = await remakeCopy(stored)
    if (isMade === null) setTimeout(() => unmet.has(wish) && ask(wish), LOOK_AGAIN_MS)
    else if (!isMade && unmet.has(wish)) wish.take(null)
  }
}

/**
 * Copies are made while a run goes on, and after it; a picture that another run has a copy of needs but its own record.
 * The first answer counts too: something may have come since the wish was looked for.
 */
function watchForCopies(): void {
  if (unmet.size === 0 || watch) return
  watch = liveQuery(picturesKept).subscribe({
    next: () => {
      for (const wish of unmet) ask(wish)
      unmet.clear()
    },
    error: () => undefined,
  })
}

/** Waits for the small copy of a picture. @returns what to call when the copy is no longer waited for */
export function wishForThumb(wish: Wish): () => void {
  ask(wish)
  return () => forget(wish)
}

function forget(wish: Wish): void {
  wishes.delete(wish)
  unmet.delete(wish)
  if (unmet.size > 0 || !watch) return
  watch.unsubscribe()
  watch = null
}

/** Address of a small copy that is open already; null when it has to be read. */
function openOf(run: string, url: string): string | null {
  const key = keys.get(nameOf({ run, url }))
  return (key === undefined ? undefined : open.get(key)) ?? null
}

/** A copy that is shown is closed last. */
function markUsed(run: string, url: string): void {
  const key = keys.get(nameOf({ run, url }))
  const src = key === undefined ? undefined : open.get(key)
  if (key !== undefined && src !== undefined) keep(key, src)
}

/** A picture's small copy: its address, undefined while it is waited for, null where there is none to be had. */
export type Thumb = string | undefined | null

/** The small copy of a picture. One that is made later is shown when it is there. */
export function useThumb(run: string, imageUrl: string | null): Thumb {
  const [found, setFound] = useState<{ of: string | null; src: string | null } | null>(null)
  const atOnce = imageUrl === null ? null : openOf(run, imageUrl)
  useEffect(() => {
    if (imageUrl === null) return
    if (atOnce !== null) return markUsed(run, imageUrl)
    return wishForThumb({ run, url: imageUrl, take: (src) => setFound({ of: imageUrl, src }) })
  }, [run, imageUrl, atOnce])
  return atOnce ?? (found && found.of === imageUrl ? found.src : undefined)
}
