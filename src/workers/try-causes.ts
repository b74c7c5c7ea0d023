import { tallyOf, tryCauses } from '@/core/cause'
import { createCheckContext, runChecks } from '@/core/check'
import { database } from '@/store/database'
import { keepEdits, overviewOf } from '@/store/overviews'
import { requirementsOf } from '@/store/requirements'
import { putRows } from '@/store/rows'
import { deleteTried } from '@/store/runs'
import { judge } from './judge'
import { gatheringOf } from './look-again'
import type { GatherCommand } from './protocol'
import { UserFacingError } from './user-facing-error'

type Try = Extract<GatherCommand, { kind: 'try' }>

/**
 * Writes a run as it would be with some of its causes carried out: pages that they change, pictures that are still to be
 * made, everything judged again. It takes the place of what was tried of the same run before.
 */
export async function runTry({ runId, parent: id, causes }: Try): Promise<void> {
  const parent = await database.runs.get(id)
  if (!parent) throw new UserFacingError('The run that was to be tried is not in this browser any more.')
  const before = await gatheringOf(parent)
  const context = createCheckContext(before.gathering, await requirementsOf(parent.source.site))
  const today = new Date().toISOString().slice(0, 10)
  const tried = tryCauses(context, runChecks(before.gathering, context, today), new Set(causes))
  const { verdict, rows } = await judge(runId, tried.gathering, tried.context)
  const stored = await overviewOf(id)
  const chosen = (stored?.causes ?? []).filter((cause) => causes.includes(cause.id))
  const changes = chosen.map(({ change }) => change)
  const served = new Map(before.images.map((image) => [image.url, image.served]))
  const changed = tried.gathering.pages.filter(({ url }) => tried.changed.has(url))
  // Pages that a run derived from another holds itself go along: a base of a base is not looked into.
  const base = parent.base ?? parent.id
  const lookedAt = parent.base ? await database.pages.where('run').equals(parent.id).toArray() : []
  const own = new Map([...lookedAt.map(({ page }) => page), ...changed].map((page) => [page.url, page]))
  await database.pages.bulkPut([...own.values()].map((page) => ({ run: runId, url: page.url, page })))
  await putRows(rows)
  await database.images.bulkPut(
    tried.gathering.images.map((image) => ({
      run: runId,
      url: image.url,
      image: { ...image, served: served.get(image.url) ?? null },
    })),
  )
  const { signedOff: _signedOff, launchedAt: _launchedAt, lookedAgain: _lookedAgain, ...inherited } = parent
  await database.runs.put({
    ...inherited,
    id: runId,
    base,
    size: 0,
    robotsTxt: tried.gathering.robotsTxt,
    touchedAt: Date.now(),
    findings: verdict.findings,
    summary: verdict.summary,
    tried: {
      run: id,
      causes,
      changes,
      placeholders: Object.fromEntries([...tried.placeholders].map(([url, tags]) => [url, [...tags]])),
      waiting: tallyOf(chosen).work.clears,
    },
  })
  await keepEdits(
    runId,
    Object.fromEntries([...tried.edits].flatMap(([url, edits]) => (edits.size > 0 ? [[url, [...edits]]] : []))),
  )
  await deleteTried(id, runId)
}
