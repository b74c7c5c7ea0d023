import type { WallRow } from '@/store/database'
import { rowsByPart } from '@/store/rows'

/** Rows of a run in the order found, read part by part so that the tab stays quick. @returns null when `isGone` says so */
export async function readRows(run: string, isGone: () => boolean): Promise<WallRow[] | null> {
  const rows: WallRow[] = []
  for await (const part of rowsByPart(run)) {
    if (isGone()) return null
    for (const row of part) rows.push(row)
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
