'use client'

import { useSyncExternalStore } from 'react'

/** Pages selected on the wall, by address. It lives as long as the tab, and is of one run at a time. */
type Selection = { run: string | null; urls: ReadonlySet<string> }

const nothing: Selection = { run: null, urls: new Set() }
let selection: Selection = nothing
const listeners = new Set<() => void>()

function set(next: Selection): void {
  selection = next
  for (const listener of listeners) listener()
}

const urlsOf = (run: string): ReadonlySet<string> => (selection.run === run ? selection.urls : nothing.urls)

/** Takes a page in, or lets it go. */
export function toggleSelected(run: string, url: string): void {
  const urls = new Set(urlsOf(run))
  if (!urls.delete(url)) urls.add(url)
  set({ run, urls })
}

/** Takes these pages in, with those that are selected already. */
export function select(run: string, urls: Iterable<string>): void {
  set({ run, urls: new Set([...urlsOf(run), ...urls]) })
}

export function clearSelection(): void {
  set(nothing)
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export function useSelection(run: string | null): ReadonlySet<string> {
  const now = useSyncExternalStore(
    subscribe,
    () => selection,
    () => nothing,
  )
  return now.run === run ? now.urls : nothing.urls
}
