import { tallyOf, tryCauses } from '@/core/cause'
import { createCheckContext, runChecks } from '@/core/check'
import { keepEdits, overviewOf } from '@/store/overviews'
import { requirementsOf } from '@/store/requirements'
import { runAt } from '@/store/runs'
import { judge } from './judge'
import { gatheringOf } from './look-again'
import type { GatherCommand } from './protocol'
import { keepTried } from './tried-run'
import { UserFacingError } from './user-facing-error'

type Try = Extract<GatherCommand, { kind: 'try' }>

/**
 * Writes a run as it would be with some of its causes carried out: pages that they change, pictures that are still to be
 * made, everything judged again. It takes the place of what was tried of the same run before.
 */
export async function runTry({ runId, parent: id, causes }: Try): Promise<void> {
  const parent = await runAt(id)
  if (!parent) throw new UserFacingError('The run that was to be tried is not in this browser any more.')
  const before = await gatheringOf(parent)
  const context = createCheckContext(before.gathering, await requirementsOf(parent.source.site))
  const today = new Date().toISOString().slice(0, 10)
  const tried = tryCauses(context, runChecks(before.gathering, context, today), new Set(causes))
  const { verdict, rows } = await judge(runId, tried.gathering, tried.context)
  const stored = await overviewOf(id)
  const chosen = (stored?.causes ?? []).filter((cause) => causes.includes(cause.id))
  await keepTried(runId, parent, before.images, {
    gathering: tried.gathering,
    verdict,
    rows,
    changed: tried.changed,
    tried: {
      run: id,
      causes,
      changes: chosen.map(({ change }) => change),
      placeholders: Object.fromEntries([...tried.placeholders].map(([url, tags]) => [url, [...tags]])),
      waiting: tallyOf(chosen).work.clears,
    },
  })
  await keepEdits(
    runId,
    Object.fromEntries([...tried.edits].flatMap(([url, edits]) => (edits.size > 0 ? [[url, [...edits]]] : []))),
  )
}
