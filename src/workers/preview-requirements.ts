import { createCheckContext, runChecks, type Verdict } from '@/core/check'
import type { Requirements } from '@/core/requirements'
import { requirementsOf } from '@/store/requirements'
import { runAt } from '@/store/runs'
import { gatheringOf } from './look-again'
import type { RequirementsEffect } from './protocol'
import { UserFacingError } from './user-facing-error'

/** Findings of a verdict by check. */
function countsOf({ pages, findings }: Verdict): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { rule } of [...pages.flatMap((page) => page.findings), ...findings])
    counts.set(rule, (counts.get(rule) ?? 0) + 1)
  return counts
}

/** More of one than of the other, the most first. */
const moreIn = (counts: ReadonlyMap<string, number>, than: ReadonlyMap<string, number>) =>
  [...counts]
    .map(([rule, count]) => ({ rule, count: count - (than.get(rule) ?? 0) }))
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count)

/** What other requirements would make of a run. Nothing is kept. */
export async function previewRequirements(id: string, requirements: Requirements): Promise<RequirementsEffect> {
  const run = await runAt(id)
  if (!run) throw new UserFacingError('The run is not in this browser any more.')
  const { gathering } = await gatheringOf(run)
  const today = new Date().toISOString().slice(0, 10)
  const judged = (by: Requirements) => runChecks(gathering, createCheckContext(gathering, by), today)
  const next = judged(requirements)
  const [before, after] = [countsOf(judged(await requirementsOf(run.source.site))), countsOf(next)]
  return { summary: next.summary, came: moreIn(after, before), went: moreIn(before, after) }
}
