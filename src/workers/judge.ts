import { findCauses, overviewOf } from '@/core/cause'
import { type CheckContext, createCheckContext, pictureBook, runChecks, type Verdict } from '@/core/check'
import type { Gathering } from '@/core/model'
import type { WallRow } from '@/store/database'
import { keepOverview } from '@/store/overviews'
import { requirementsOf } from '@/store/requirements'
import { makeRow } from './make-row'

export type Judged = { context: CheckContext; verdict: Verdict; rows: WallRow[] }

/** What a run is judged by: what it gathered, and the requirements of its site. */
export const contextOfRun = async (gathering: Gathering): Promise<CheckContext> =>
  createCheckContext(gathering, await requirementsOf(gathering.source.site))

/**
 * Judges a run and keeps what is said of the whole: causes, what charts draw, its pictures.
 *
 * @param check what is said of one page, where some of it is known already
 */
export async function judgeWhole(
  run: string,
  gathering: Gathering,
  context: CheckContext,
  check?: Parameters<typeof runChecks>[3],
): Promise<Verdict> {
  const today = new Date().toISOString().slice(0, 10)
  const verdict = runChecks(gathering, context, today, check)
  const causes = findCauses(context, verdict.pages, verdict.findings, verdict.waived)
  await keepOverview({
    run,
    causes,
    overview: overviewOf(context),
    book: pictureBook(context, verdict.pages),
  })
  return verdict
}

/**
 * Everything that is said of a run once all of it is known: findings, rows of the wall, causes, what charts draw.
 * @param given where it is not to be judged by what the gathering itself tells
 */
export async function judge(run: string, gathering: Gathering, given?: CheckContext): Promise<Judged> {
  const context = given ?? (await contextOfRun(gathering))
  const verdict = await judgeWhole(run, gathering, context)
  const rows = context.pages.map((page, order) => makeRow(run, page, order, verdict.pages[order]!, context))
  return { context, verdict, rows }
}
