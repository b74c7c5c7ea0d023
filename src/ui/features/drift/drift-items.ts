import { pathOn } from '@/core/address'
import type { CardPart } from '@/core/surface'
import { addTo } from '@/core/text'
import type { StoredComparison } from '@/workers/compare-runs'

/** Pages that a field offers while it is typed into; any can be typed. */
const MAX_OFFERED = 200

/** The first pages of those that addresses lead to. */
export function firstPages(pages: ReadonlyMap<string, string>): string[] {
  const first = new Set<string>()
  for (const page of pages.values()) {
    first.add(page)
    if (first.size === MAX_OFFERED) break
  }
  return [...first]
}

/** What became of a page from one run to the other. `tags`: it says something else that no card shows. */
export type DriftKind = 'changed' | 'moved' | 'removed' | 'added' | 'tags' | 'findings'

export type DriftItem = {
  url: string
  path: string
  kind: DriftKind
  /** Parts of its cards that changed, on any surface. */
  parts: CardPart[]
  /** Surfaces whose card changed. */
  surfaces: string[]
  /** Where a moved page is now: its address and its path. */
  to: { url: string; path: string } | null
  /** Checks that fail now, and those that failed before. */
  came: string[]
  went: string[]
}

const ORDER: Record<DriftKind, number> = { changed: 0, moved: 1, removed: 2, added: 3, tags: 4, findings: 5 }

/** Pages that differ between two runs, what people see first: changed cards, pages that moved, went and came. */
export function driftItems({ comparison }: Pick<StoredComparison, 'comparison'>, site: string): DriftItem[] {
  const { fresh, gone, moves, differences, findings } = comparison
  const came = new Map<string, string[]>()
  const went = new Map<string, string[]>()
  for (const { rule, page } of findings.came) addTo(came, page, rule)
  for (const { rule, page } of findings.went) addTo(went, page, rule)
  const kinds = new Map<string, DriftKind>()
  const arrived = new Set(moves.values())
  for (const url of gone) kinds.set(url, moves.has(url) ? 'moved' : 'removed')
  for (const url of fresh) if (!arrived.has(url)) kinds.set(url, 'added')
  for (const [url, { cards }] of differences) kinds.set(url, cards.size > 0 ? 'changed' : 'tags')
  for (const url of [...came.keys(), ...went.keys()])
    if (!kinds.has(url) && !arrived.has(url)) kinds.set(url, 'findings')
  const items = [...kinds].map(([url, kind]): DriftItem => {
    const cards = differences.get(url)?.cards ?? new Map()
    const moved = moves.get(url)
    const at = moved ?? url
    return {
      url,
      path: pathOn(url, site),
      kind,
      parts: [...new Set([...cards.values()].flatMap(({ parts }) => parts as CardPart[]))],
      surfaces: [...cards.keys()],
      to: moved === undefined ? null : { url: moved, path: pathOn(moved, site) },
      came: came.get(at) ?? [],
      went: went.get(url) ?? [],
    }
  })
  return items.sort((a, b) => ORDER[a.kind] - ORDER[b.kind] || (a.path < b.path ? -1 : 1))
}

/** How many there are of each kind. */
export function countKinds(items: readonly DriftItem[]): Record<DriftKind, number> {
  const counts: Record<DriftKind, number> = { changed: 0, moved: 0, removed: 0, added: 0, tags: 0, findings: 0 }
  for (const { kind } of items) counts[kind]++
  return counts
}
