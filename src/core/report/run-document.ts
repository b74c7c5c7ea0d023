import { findCauses } from '../cause/find-causes'
import { createCheckContext } from '../check/context'
import { runChecks } from '../check/run-checks'
import type { GatheredImage, GatheredPage, Gathering } from '../model'
import { noRequirements, type Requirements } from '../requirements/requirements'
import type { Card } from '../surface/card-model'

/** Pages that use each picture, by the picture's address. */
function usesOf(
  gathering: Gathering,
  cards: Map<string, Record<string, Card>>,
  declared: (page: GatheredPage) => string[],
): Map<string, string[]> {
  const uses = new Map<string, Set<string>>()
  for (const page of gathering.pages) {
    const shown = Object.values(cards.get(page.url) ?? {}).flatMap((card) => card.image.url ?? [])
    for (const url of [...declared(page), ...shown]) uses.set(url, (uses.get(url) ?? new Set()).add(page.url))
  }
  return new Map([...uses].map(([url, pages]) => [url, [...pages].sort()]))
}

const byAddress = <T extends { url: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.url < b.url ? -1 : a.url > b.url ? 1 : 0))

function imageOf(image: GatheredImage, usedBy: string[]) {
  const { url, status, format, width, height, bytes, alpha, animated, hash, error } = image
  return { url, status, format, width, height, bytes, alpha, animated, hash, usedBy, error }
}

/**
 * The run document: everything that was gathered, every card, every finding. The contract of the command line and of
 * files that are kept; read and written as it is described in docs/run-document.md.
 */
export function runDocument(
  given: Gathering,
  requirements: Requirements = noRequirements,
  today = given.startedAt.slice(0, 10),
) {
  // Answers come in any order; a document of the same site has the same one each time.
  const gathering = { ...given, pages: byAddress(given.pages), images: byAddress(given.images) }
  const context = createCheckContext(gathering, requirements)
  const verdict = runChecks(gathering, context, today)
  const cards = new Map(
    gathering.pages.map((page) => [
      page.url,
      Object.fromEntries(context.allSurfaces.map((surface) => [surface.id, context.cardOf(page, surface)])),
    ]),
  )
  const verdictOf = new Map(verdict.pages.map((page) => [page.url, page]))
  const declared = (page: GatheredPage) =>
    page.facts ? context.declaredImages({ ...page, facts: page.facts }).map(({ url }) => url) : []
  const uses = usesOf(gathering, cards, declared)
  return {
    format: 'nimble-parrot-run' as const,
    version: 1 as const,
    source: gathering.source,
    startedAt: gathering.startedAt,
    finishedAt: gathering.finishedAt,
    view: gathering.view,
    notes: [...gathering.notes, ...verdict.notes],
    pages: gathering.pages.map(({ url, file, fetch, facts }) => {
      const { section, findings, skipped, waived } = verdictOf.get(url)!
      return {
        url,
        ...(file === null ? {} : { file }),
        section,
        fetch,
        facts,
        cards: cards.get(url)!,
        findings,
        skipped,
        ...(waived.length > 0 ? { waived } : {}),
      }
    }),
    images: gathering.images
      .filter((image) => !image.iconOnly)
      .map((image) => imageOf(image, uses.get(image.url) ?? [])),
    findings: verdict.findings,
    ...(verdict.waived.length > 0 ? { waived: verdict.waived } : {}),
    causes: findCauses(context, verdict.pages, verdict.findings),
    summary: verdict.summary,
  }
}

export type RunDocument = ReturnType<typeof runDocument>

/** The run document as JSON text, with a line end. */
export function runAsJson(document: RunDocument): string {
  return `${JSON.stringify(document, null, 2)}\n`
}
