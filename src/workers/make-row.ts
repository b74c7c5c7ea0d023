import type { CheckContext } from '@/core/check/context'
import type { PageVerdict } from '@/core/check/run-checks'
import type { GatheredPage, Level } from '@/core/model'
import { faceOf } from '@/core/surface/face'
import type { WallRow } from '@/store/database'

/** What the wall needs of one page. */
export function makeRow(
  run: string,
  page: GatheredPage,
  order: number,
  verdict: Pick<PageVerdict, 'findings'>,
  context: CheckContext,
): WallRow {
  const levels: Record<Level, number> = { error: 0, warning: 0, note: 0 }
  for (const finding of verdict.findings) levels[finding.level]++
  const { site } = context.addresses
  return {
    run,
    url: page.url,
    path: page.url.startsWith(site) ? `/${page.url.slice(site.length)}` : page.url,
    order,
    section: context.sections.get(page.url) ?? '/',
    status: page.fetch.status,
    levels,
    findings: verdict.findings,
    faces: Object.fromEntries(
      context.surfaces.map((surface) => [surface.id, faceOf(context.cardOf(page, surface), surface)]),
    ),
  }
}
