import { Dexie } from 'dexie'
import { database, type WallRow } from './database'

/** The place of a run's last row in the order in which pages were found; -1 where it has none. */
export async function lastOrder(run: string): Promise<number> {
  const last = await database.rows.where('[run+order]').between([run, Dexie.minKey], [run, Dexie.maxKey]).last()
  return last?.order ?? -1
}

/** Rows of a run from one place in that order up to another, without the latter. */
export function rowsBetween(run: string, from: number, to: number): Promise<WallRow[]> {
  return database.rows.where('[run+order]').between([run, from], [run, to], true, false).toArray()
}

/** All rows of a run, in that order. */
export const rowsOf = (run: string): Promise<WallRow[]> => database.rows.where('run').equals(run).sortBy('order')

/** At most so many rows of a run, evenly over it; of a run that is no longer all of them. */
export async function sampledRows(run: string, most: number): Promise<WallRow[]> {
  const last = await lastOrder(run)
  if (last < most) return rowsOf(run)
  const step = (last + 1) / most
  const keys = Array.from({ length: most }, (_, index): [string, number] => [run, Math.floor(index * step)])
  return database.rows.where('[run+order]').anyOf(keys).toArray()
}

/** The rows found last, newest first. */
export function newestRows(run: string, most: number): Promise<WallRow[]> {
  return database.rows
    .where('[run+order]')
    .between([run, Dexie.minKey], [run, Dexie.maxKey])
    .reverse()
    .limit(most)
    .toArray()
}

/** Rows written at once: every tab hears of each written key, and must not be kept busy by thousands. */
const BATCH = 250

/** Writes rows, a batch after the other. */
export async function putRows(rows: readonly WallRow[]): Promise<void> {
  for (let from = 0; from < rows.length; from += BATCH) await database.rows.bulkPut(rows.slice(from, from + BATCH))
}
