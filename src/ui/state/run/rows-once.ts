import type { WallRow } from '@/store/database'
import { lastOrder, rowsBetween } from '@/store/rows'

/** Rows read at a time: more would hold the main thread for longer than a frame or two. */
const CHUNK_ROWS = 100

/** Rows of a run in the order found, read in chunks so that the tab stays quick. @returns null when `isGone` says so */
export async function readRows(run: string, isGone: () => boolean): Promise<WallRow[] | null> {
  const rows: WallRow[] = []
  const last = await lastOrder(run)
  for (let from = 0; from <= last; from += CHUNK_ROWS) {
    if (isGone()) return null
    const chunk = await rowsBetween(run, from, from + CHUNK_ROWS)
    for (const row of chunk) rows.push(row)
  }
  return rows
}

type Kept = { run: string; touchedAt: number; rows: Promise<WallRow[] | null> }

/** The rows that were asked for last: every area asks for those of the same run, and 50,000 take seconds to read. */
let kept: Kept | null = null

/**
 * Rows of a run in the order found, read once for all who ask until the run changes or another is asked for.
 *
 * @param touchedAt when the run was last written to: its rows are those of that time
 * @returns null where others were asked for before all were read
 */
export function rowsOnce(run: string, touchedAt: number): Promise<WallRow[] | null> {
  if (kept?.run === run && kept.touchedAt === touchedAt) return kept.rows
  const own: Kept = { run, touchedAt, rows: Promise.resolve(null) }
  kept = own
  own.rows = readRows(run, () => kept !== own).catch((error: unknown) => {
    // What could not be read is asked for again by the next.
    if (kept === own) kept = null
    throw error
  })
  return own.rows
}
