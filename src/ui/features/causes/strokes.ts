import type { Cause } from '@/core/cause'
import type { WallRow } from '@/store/database'

/** Pages that a strip draws; more share a stroke. */
const MAX_STROKES = 40

type Pages = Pick<Cause, 'pages'>
type Rows = readonly Pick<WallRow, 'url'>[]

const known = new WeakMap<Pages, { of: Rows; made: boolean[] }>()

/** How much of a section a cause covers, a stroke for each page: tall where it stands. Kept: causes of large runs name all pages. */
export function strokesOf(cause: Pages, ofSection: Rows): boolean[] {
  const before = known.get(cause)
  if (before?.of === ofSection) return before.made
  const made = strokesIn(cause.pages, ofSection)
  known.set(cause, { of: ofSection, made })
  return made
}

function strokesIn(pages: readonly string[], ofSection: Rows): boolean[] {
  const per = Math.max(1, Math.ceil(ofSection.length / MAX_STROKES))
  const made: boolean[] = Array(Math.ceil(ofSection.length / per)).fill(false)
  // Both are mostly in the order of the run, so that each is gone through once.
  let next = 0
  for (const [index, { url }] of ofSection.entries()) {
    if (url !== pages[next]) continue
    made[Math.floor(index / per)] = true
    next++
  }
  if (next === pages.length) return made
  const left = new Set(pages)
  for (const [index, { url }] of ofSection.entries()) if (left.has(url)) made[Math.floor(index / per)] = true
  return made
}
