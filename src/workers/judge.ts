import { findCauses, overviewOf } from '@/core/cause'
import { type CheckContext, createCheckContext, pictureBook, runChecks, type Verdict } from '@/core/check'
import type { Gathering } from '@/core/model'
import { database, type WallRow } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { makeRow } from './make-row'

export type Judged = { context: CheckContext; verdict: Verdict; rows: WallRow[] }

/**
 * Everything that is said of a run once all of it is known: findings, rows of the wall, causes, what charts draw.
 * @param given where it is not to be judged by what the gathering itself tells
 */
export async function judge(run: string, gathering: Gathering, given?: CheckContext): Promise<Judged> {
  const context = given ?? createCheckContext(gathering, await requirementsOf(gathering.source.site))
  const today = new Date().toISOString().slice(0, 10)
  const verdict = runChecks(gathering, context, today)
  const causes = findCauses(context, verdict.pages, verdict.findings, verdict.waived)
  await database.overviews.put({
    run,
    causes,
    overview: overviewOf(context),
    book: pictureBook(context, verdict.pages),
  })
  const rows = context.pages.map((page, order) => makeRow(run, page, order, verdict.pages[order]!, context))
  return { context, verdict, rows }
}
