'use client'

import { create } from 'zustand'
import { isStorageFull } from '@/workers/user-facing-error'

/** Something that could not be written: what it is, and how to try again. */
export type NotKept = { what: string; isFull: boolean; again: (() => Promise<void>) | null }

const useStore = create<{ last: NotKept | null }>(() => ({ last: null }))

export const readNotKept = () => useStore.getState().last

export const useNotKept = () => useStore(({ last }) => last)

const told = new WeakSet<object>()

/** Says that a write failed, so that nothing pretends to be kept. */
export function tellNotKept({
  what,
  error,
  again,
}: {
  what: string
  error: unknown
  again?: () => Promise<void>
}): void {
  if (typeof error === 'object' && error !== null) {
    if (told.has(error)) return
    told.add(error)
  }
  useStore.setState({ last: { what, isFull: isStorageFull(error), again: again ?? null } })
}

export const forgetNotKept = () => useStore.setState({ last: null })

/** Names of errors by which a database says that it did not write. */
const OF_STORAGE = /^(?:QuotaExceededError|AbortError|TransactionInactiveError|BulkError|OpenFailedError)$/

/** Is it an error of a write that nobody waited for? */
export function isFailedWrite(error: unknown): boolean {
  if (isStorageFull(error)) return true
  // The database wraps its errors; the browser's own of that name is somebody's change of mind, such as a dialog closed.
  const isBrowsers = typeof DOMException !== 'undefined' && error instanceof DOMException
  return error instanceof Error && !isBrowsers && OF_STORAGE.test(error.name)
}
