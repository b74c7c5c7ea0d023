import type { Gathering } from '@/core/model'
import { database } from '@/store/database'
import { putRows } from '@/store/rows'
import { judge } from '../judge'

/** Keeps a gathering as a run, as the worker that gathers does. */
export async function storeRun(id: string, gathering: Gathering, touchedAt = 1): Promise<void> {
  const { rows, verdict } = await judge(id, gathering)
  await database.pages.bulkPut(gathering.pages.map((page) => ({ run: id, url: page.url, page })))
  await database.images.bulkPut(
    gathering.images.map((image) => ({ run: id, url: image.url, image: { ...image, served: null } })),
  )
  await putRows(rows)
  const { source, view, robotsTxt, startedAt, finishedAt, notes, incomplete, scope } = gathering
  await database.runs.put({
    id,
    ...{ source, view, robotsTxt, startedAt, finishedAt, notes, incomplete, scope },
    touchedAt,
    state: 'done',
    pages: rows.length,
    waiting: 0,
    findings: verdict.findings,
    summary: verdict.summary,
  })
}
