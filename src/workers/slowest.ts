import type { SlowPage } from './protocol'

/** An answer that takes less than this is no wait, in ms. */
export const SLOW_MS = 1000
/** Pages named as slow. */
const MOST = 5

/** The slowest pages so far, the slowest first, with one more looked at. */
export function slowest(before: readonly SlowPage[], page: SlowPage): readonly SlowPage[] {
  if (page.ms < SLOW_MS) return before
  return [...before, page].sort((a, b) => b.ms - a.ms).slice(0, MOST)
}
