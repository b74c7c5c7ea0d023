/** How a pane is being scrolled: where it was, when, and how many times in a row it went further than it is high. */
export type ScrollPace = { offsetPx: number; atMs: number; leaps: number }

/** Leaps further apart than this are separate ones, in ms: a key, a click on the bar. */
const SAME_SCROLL_MS = 120
/** From so many leaps in a row on, what passes can't be read. */
const LEAPS_PASSING = 2

export const atRest: ScrollPace = { offsetPx: 0, atMs: Number.NEGATIVE_INFINITY, leaps: 0 }

/** The pace after the pane was seen at an offset. The same offset twice is no movement. */
export function paceAfter(before: ScrollPace, offsetPx: number, paneHeightPx: number, nowMs: number): ScrollPace {
  if (offsetPx === before.offsetPx) return before
  const isLeap = paneHeightPx > 0 && Math.abs(offsetPx - before.offsetPx) > paneHeightPx
  const goesOn = nowMs - before.atMs < SAME_SCROLL_MS
  return { offsetPx, atMs: nowMs, leaps: isLeap ? (goesOn ? before.leaps + 1 : 1) : 0 }
}

/** What is in sight will be gone in the next frame: it is drawn in outline only. */
export const isPassing = ({ leaps }: ScrollPace): boolean => leaps >= LEAPS_PASSING
