import type { WallRow } from '@/store/database'

const known = new WeakMap<readonly WallRow[], ReadonlyMap<string, WallRow>>()

/** The row of a page by its address. Of thousands of rows a list of pages would go over all for each of its own. */
export function rowAt(rows: readonly WallRow[], url: string): WallRow | undefined {
  const byAddress = known.get(rows) ?? new Map(rows.map((row) => [row.url, row]))
  known.set(rows, byAddress)
  return byAddress.get(url)
}
