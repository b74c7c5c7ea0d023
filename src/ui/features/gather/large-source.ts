/** Pages up to which a browser gathers without being asked: all of the app was measured with so many. */
const COMFORTABLE = 10_000
/**
 * What one page takes in the browser's storage, beside pictures, on the safe side: pages of few tags take 2,500
 * (docs/performance.md, wall), and those of others have more of them.
 */
const BYTES_A_PAGE = 6_700
/** Pages gathered and judged in a second, on the slower side (docs/performance.md, gather). */
const PAGES_A_SECOND = 230
/** Pages of each section in a sample. */
export const SAMPLE = 50

/** More pages than a browser takes in its stride. `doesFit`: the browser gives room for them. */
export type LargeSource = {
  pages: number
  needsBytes: number
  leftBytes: number | null
  doesFit: boolean
  minutes: number
}

/**
 * What so many pages ask of the browser, where that is to be said before they are gathered; null where it is not.
 *
 * @param use what the browser gives and what is used, in bytes; null: it does not say
 */
export function largeSource(pages: number, use: { usedBytes: number; quotaBytes: number } | null): LargeSource | null {
  const needsBytes = pages * BYTES_A_PAGE
  const leftBytes = use && Math.max(0, use.quotaBytes - use.usedBytes)
  const doesFit = leftBytes === null || needsBytes <= leftBytes
  if (pages <= COMFORTABLE && doesFit) return null
  return { pages, needsBytes, leftBytes, doesFit, minutes: Math.max(1, Math.round(pages / PAGES_A_SECOND / 60)) }
}
