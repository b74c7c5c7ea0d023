import type { Gathering } from '@/core/model'
import type { StoredRun } from '@/store/database'
import { putRows } from '@/store/rows'
import { keepRun } from '@/store/runs'
import { judge } from './judge'

/** A run whose pages and pictures are written already, before it is judged. */
export type UnjudgedRun = Omit<StoredRun, 'findings' | 'summary' | 'size'>

/** Judges a run that came from elsewhere and writes what was found. The run comes last: once it can be seen, all of it is there. */
export async function keepJudged(run: UnjudgedRun, gathering: Gathering): Promise<StoredRun> {
  const { verdict, rows } = await judge(run.id, gathering)
  const { findings, summary } = verdict
  const pages = gathering.pages.reduce((sum, page) => sum + JSON.stringify(page).length, 0)
  const size = pages + (await putRows(rows))
  const kept = { ...run, findings, summary, pages: rows.length, size }
  await keepRun(kept)
  return kept
}
