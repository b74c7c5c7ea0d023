'use client'

import { create } from 'zustand'

/** Pages selected on the wall, by address. It lives as long as the tab, and is of one run at a time. */
type Selection = { run: string | null; urls: ReadonlySet<string> }

const nothing: Selection = { run: null, urls: new Set() }
const useStore = create<Selection>(() => nothing)
const set = (next: Selection) => useStore.setState(next, true)

const urlsIn = (selection: Selection, run: string | null) => (selection.run === run ? selection.urls : nothing.urls)
const urlsOf = (run: string) => urlsIn(useStore.getState(), run)

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

export function useSelection(run: string | null): ReadonlySet<string> {
  return useStore((selection) => urlsIn(selection, run))
}
