import type { Focus } from '@/core/image'
import { database } from './database'

/** The focus that somebody set for a picture of a site: it stays with the picture wherever it is used. */
export type StoredFocus = {
  site: string
  /** Public address of the picture. */
  url: string
  focus: Focus
  /** ISO 8601. */
  setAt: string
}

/** What was set for a site's pictures, by their addresses. */
export async function focusesOf(site: string): Promise<Map<string, Focus>> {
  const kept = await database.focuses.where('site').equals(site).toArray()
  return new Map(kept.map(({ url, focus }) => [url, focus]))
}

/** Takes over what a file sets for pictures; what it does not name stays. */
export async function takeFocuses(site: string, focuses: Readonly<Record<string, Focus>>): Promise<void> {
  const setAt = new Date().toISOString()
  await database.focuses.bulkPut(Object.entries(focuses).map(([url, focus]) => ({ site, url, focus, setAt })))
}

/** The same with the days on which they were set. */
export const storedFocusesOf = (site: string): Promise<StoredFocus[]> =>
  database.focuses.where('site').equals(site).toArray()

/** Keeps what was set for pictures, with its days. */
export async function keepFocuses(focuses: readonly StoredFocus[]): Promise<void> {
  await database.focuses.bulkPut([...focuses])
}
