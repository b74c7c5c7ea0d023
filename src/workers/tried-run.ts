import type { Verdict } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import type { Gathering } from '@/core/model'
import type { StoredRun, WallRow } from '@/store/database'
import { keepImagesOf } from '@/store/images'
import { keepPages, ownPagesOf } from '@/store/pages'
import { putRows } from '@/store/rows'
import { deleteTried, keepRun } from '@/store/runs'

/** A run as it would be: what it holds, what is said of it, and which of its pages are not as the build has them. */
export type TriedRun = {
  gathering: Gathering
  verdict: Verdict
  rows: WallRow[]
  changed: ReadonlySet<string>
  tried: NonNullable<StoredRun['tried']>
}

/**
 * Keeps a run as it would be, to be looked at like any other, in the place of what was tried of the same run before.
 *
 * @param images of the run that it is of, with what the server serves of them
 */
export async function keepTried(
  runId: string,
  parent: StoredRun,
  images: readonly ServedImage[],
  { gathering, verdict, rows, changed, tried }: TriedRun,
): Promise<void> {
  const served = new Map(images.map((image) => [image.url, image.served]))
  // Pages that a run derived from another holds itself go along: a base of a base is not looked into.
  const base = parent.base ?? parent.id
  const lookedAt = parent.base ? await ownPagesOf(parent.id) : []
  const own = new Map(
    [...lookedAt, ...gathering.pages.filter(({ url }) => changed.has(url))].map((page) => [page.url, page]),
  )
  await keepPages(runId, [...own.values()])
  await putRows(rows)
  await keepImagesOf(
    runId,
    gathering.images.map((image) => ({ ...image, served: served.get(image.url) ?? null })),
  )
  const {
    signedOff: _signedOff,
    launchedAt: _launchedAt,
    lookedAgain: _lookedAgain,
    name: _name,
    ...inherited
  } = parent
  await keepRun({
    ...inherited,
    id: runId,
    base,
    size: 0,
    robotsTxt: gathering.robotsTxt,
    touchedAt: Date.now(),
    findings: verdict.findings,
    summary: verdict.summary,
    tried,
  })
  await deleteTried(parent.id, runId)
}
