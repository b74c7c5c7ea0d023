import type { CheckContext, PageVerdict } from '@/core/check'
import { comparedText } from '@/core/compare'
import type { GatheredPage, Level } from '@/core/model'
import { cardOf, type Face, faceOf, isKeptOutByRobots } from '@/core/surface'
import type { WallRow } from '@/store/database'
import { digestOfTexts } from './digest'

/** Cards that differ once robots.txt and a login count, or cease to: the side that the run doesn't take. */
function otherFacesOf(page: GatheredPage, context: CheckContext): Record<string, Face> | undefined {
  const { loginPassed, view } = context.cards
  const other = { ...context.cards, view: view === 'standing' ? ('launched' as const) : ('standing' as const) }
  const differing = context.allSurfaces.filter(
    ({ token }) => token !== null && page.facts && (loginPassed || isKeptOutByRobots(page.url, token, context.cards)),
  )
  if (differing.length === 0) return undefined
  return Object.fromEntries(differing.map((surface) => [surface.id, faceOf(cardOf(page, surface, other), surface)]))
}

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
  const otherFaces = otherFacesOf(page, context)
  const text = comparedText(page, context)
  const { aliases } = page.fetch
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
      context.allSurfaces.map((surface) => [surface.id, faceOf(context.cardOf(page, surface), surface)]),
    ),
    ...(otherFaces ? { otherFaces } : {}),
    digest: text === null ? null : digestOfTexts([text]),
    ...(aliases.length > 0 ? { aliases } : {}),
  }
}
