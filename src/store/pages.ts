import type { GatheredPage } from '@/core/model'
import { database, type StoredPage } from './database'
import { ofRun } from './of-run'

/**
 * Pages of runs. A run that came of looking again at one page holds that page alone: all others stand once, with the
 * run it came from (`base`).
 */

async function baseOf(run: string): Promise<string | null> {
  return (await database.runs.get(run))?.base ?? null
}

/** A page of a run; undefined when the run has none at this address. */
export async function readStoredPage(run: string, url: string): Promise<StoredPage | undefined> {
  const own = await database.pages.get([run, url])
  if (own) return own
  const base = await baseOf(run)
  return base === null ? undefined : database.pages.get([base, url])
}

/** Pages of a run in the order of the addresses; undefined where it has none. */
export async function pagesAt(run: string, urls: readonly string[]): Promise<(StoredPage | undefined)[]> {
  const keys = (of: string) => urls.map((url) => [of, url] as [string, string])
  const own = await database.pages.bulkGet(keys(run))
  const base = own.includes(undefined) ? await baseOf(run) : null
  if (base === null) return own
  const shared = await database.pages.bulkGet(keys(base))
  return own.map((page, index) => page ?? shared[index])
}

/**
 * All pages of a run, by address. Of its base there may be some that the run has no more.
 * @param known the run's base, where it is known; null: it has none
 */
export async function allPagesOf(run: string, known?: string | null): Promise<Map<string, StoredPage>> {
  const base = known === undefined ? await baseOf(run) : known
  const shared = base === null ? [] : await database.pages.where('run').equals(base).toArray()
  const own = await database.pages.where('run').equals(run).toArray()
  return new Map([...shared, ...own].map((page) => [page.url, page]))
}

/** Deletes the pages that a run holds, but for those that other runs are based on. To be called in a transaction. */
export async function deletePagesOf(run: string): Promise<void> {
  const deleted = await database.runs.get(run)
  const others = await database.runs.filter(({ id }) => id !== run).toArray()
  const isNeeded = (id: string) => others.some((other) => other.id === id || other.base === id)
  // Pages of a run that is gone stay for as long as one that came of it is there.
  for (const id of new Set([run, deleted?.base ?? run])) {
    if (!isNeeded(id)) await ofRun(database.pages, id).delete()
  }
}

/** Pages that a run holds itself: without those of its base. */
export async function ownPagesOf(run: string): Promise<GatheredPage[]> {
  return (await database.pages.where('run').equals(run).toArray()).map(({ page }) => page)
}

/** Of these addresses the pages that a run holds itself, in their order. */
export async function ownPagesAt(run: string, urls: readonly string[]): Promise<(GatheredPage | undefined)[]> {
  const stored = await database.pages.bulkGet(urls.map((url): [string, string] => [run, url]))
  return stored.map((one) => one?.page)
}

/** How many pages a run holds itself. */
export const countOwnPages = (run: string): Promise<number> => ofRun(database.pages, run).count()

/** Keeps pages of a run, in place of those of their addresses. */
export async function keepPages(run: string, pages: readonly GatheredPage[]): Promise<void> {
  await database.pages.bulkPut(pages.map((page) => ({ run, url: page.url, page })))
}

/** Deletes the pages that a run holds and that are not among those left. @returns how many went */
export async function deletePagesBut(run: string, left: ReadonlySet<string>): Promise<number> {
  const keys = await ofRun(database.pages, run).primaryKeys()
  const gone = keys.filter(([, url]) => !left.has(url))
  await database.pages.bulkDelete(gone)
  return gone.length
}
